import { NumberInput, type NumberInputProps } from '@mantine/core';
import type { ClipboardEvent } from 'react';

/** A figure with a comma for its decimals and nothing else that could be meant: `12,5`, `-0,25 mm`. */
const WITH_COMMA = /^([+-]?\d*),(\d+)\s*\D*$/;

/** A number field that understands a decimal comma, typed or pasted: left to itself it would read `12,5` as 125. */
export function DecimalInput({
  onChange,
  ...rest
}: NumberInputProps & { onChange(value: number | string): void }) {
  const paste = (event: ClipboardEvent) => {
    const match = WITH_COMMA.exec(event.clipboardData.getData('text').trim());
    if (!match) return;
    event.preventDefault();
    onChange(Number(`${match[1]}.${match[2]}`));
  };
  return <NumberInput {...rest} allowedDecimalSeparators={['.', ',']} onChange={onChange} onPaste={paste} />;
}
