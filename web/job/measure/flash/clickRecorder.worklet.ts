// A worklet has a scope of its own, which the types of a page do not know.
declare function registerProcessor(name: string, processor: unknown): void;
declare class AudioWorkletProcessor {
  readonly port: MessagePort;
}

/** Hands on what a microphone hears, a stretch at a time: nothing is kept here. */
class ClickRecorder extends AudioWorkletProcessor {
  process(inputs: Float32Array[][]): boolean {
    const [channel] = inputs[0] ?? [];
    if (channel) this.port.postMessage(channel.slice());
    return true;
  }
}
registerProcessor('click-recorder', ClickRecorder);
