import { NumberInput, type NumberInputProps } from '@mantine/core';
import type { InputEvent } from 'react';

/** A figure that begins with a decimal comma somewhere in it: `12,5`, `-0,25 mm`. */
const WITH_COMMA = /^(\s*[+-]?\d*),(\d+)/;
/** Sets what stands in a field past React, which would else take the mended text for what was there before. */
const setText = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')?.set;

/**
 * A number field that understands a decimal comma however it comes in: typed key by key, pasted, dictated or put in by a
 * keyboard that composes whole words. Left to itself the field reads the comma off all but single keys, and 12,5 becomes 125.
 */
export function DecimalInput(props: NumberInputProps & { onChange(value: number | string): void }) {
  const mend = ({ currentTarget }: InputEvent<HTMLInputElement>) => {
    if (WITH_COMMA.test(currentTarget.value))
      setText?.call(currentTarget, currentTarget.value.replace(WITH_COMMA, '$1.$2'));
  };
  return <NumberInput {...props} allowedDecimalSeparators={['.', ',']} onInputCapture={mend} />;
}
