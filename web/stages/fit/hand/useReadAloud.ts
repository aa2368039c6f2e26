import { useCallback, useEffect, useState } from 'react';

/** A voice of this device itself: nothing that is read goes anywhere. */
function localVoice(): SpeechSynthesisVoice | null {
  if (!('speechSynthesis' in window)) return null;
  const voices = speechSynthesis.getVoices().filter((voice) => voice.localService);
  return voices.find(({ lang }) => lang.startsWith('en')) ?? voices[0] ?? null;
}

/** Reads words aloud when asked, with a local voice alone; null where the device has none. */
export function useReadAloud(): { read(words: string): void; reading: boolean; stop(): void } | null {
  const [voice, setVoice] = useState(localVoice);
  const [reading, setReading] = useState(false);
  useEffect(() => {
    if (!('speechSynthesis' in window)) return;
    const heard = () => setVoice(localVoice());
    speechSynthesis.addEventListener('voiceschanged', heard);
    return () => {
      speechSynthesis.removeEventListener('voiceschanged', heard);
      speechSynthesis.cancel();
    };
  }, []);
  const stop = useCallback(() => {
    speechSynthesis.cancel();
    setReading(false);
  }, []);
  const read = useCallback(
    (words: string) => {
      if (!voice) return;
      speechSynthesis.cancel();
      const said = new SpeechSynthesisUtterance(words);
      said.voice = voice;
      said.lang = voice.lang;
      said.onend = () => setReading(false);
      said.onerror = () => setReading(false);
      setReading(true);
      speechSynthesis.speak(said);
    },
    [voice],
  );
  return voice ? { read, reading, stop } : null;
}
