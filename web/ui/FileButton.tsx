import { Button, type ButtonProps } from '@mantine/core';
import { useRef } from 'react';
import { tellTrouble } from './tellTrouble.ts';

/** A button that asks for a file; the same file can be chosen again, and what goes wrong with it is told. */
export function FileButton({
  label,
  field,
  accept,
  open,
  ...button
}: {
  /** what stands on the button */
  label: string;
  /** what the field is called for whoever cannot see it */
  field: string;
  accept: string;
  open(file: File): Promise<void>;
} & Pick<ButtonProps, 'size' | 'loading'>) {
  const input = useRef<HTMLInputElement>(null);
  return (
    <>
      <Button variant="default" {...button} onClick={() => input.current?.click()}>
        {label}
      </Button>
      <input
        ref={input}
        type="file"
        accept={accept}
        hidden
        aria-label={field}
        onChange={(event) => {
          const chosen = event.currentTarget;
          const [file] = chosen.files ?? [];
          if (!file) return;
          open(file)
            .catch(tellTrouble)
            .finally(() => {
              chosen.value = '';
            });
        }}
      />
    </>
  );
}
