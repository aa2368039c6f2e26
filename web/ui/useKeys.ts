import { useHotkeys } from '@mantine/hooks';

/** Inputs that are pressed, not typed into: letters mean nothing to them. */
const PRESSED = new Set(['radio', 'checkbox', 'range', 'button', 'submit', 'file']);

/** Whether keys now belong to a field somebody types in. */
export function isTyping(target: EventTarget | null): boolean {
  if (!(target instanceof HTMLElement)) return false;
  if (target instanceof HTMLInputElement) return !PRESSED.has(target.type);
  return (
    target instanceof HTMLTextAreaElement || target instanceof HTMLSelectElement || target.isContentEditable
  );
}

/** The app's own keys. They rest while somebody types, and only then: a switch just clicked does not silence them. */
export function useKeys(keys: readonly (readonly [key: string, act: () => void])[]): void {
  useHotkeys(
    keys.map(([key, act]) => [
      key,
      (event) => {
        if (isTyping(event.target)) return;
        event.preventDefault();
        act();
      },
      { preventDefault: false },
    ]),
    [],
  );
}
