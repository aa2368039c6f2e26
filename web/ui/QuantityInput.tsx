import { TextInput, type TextInputProps } from '@mantine/core';
import type { ReactNode } from 'react';
import { type Quantity, unitOf } from '../../core/formatting/units.ts';

/** A field for a length, a wire, a temperature, a distance or a light: takes `43`, `3/8 in`, `18 AWG`, `0,75`, with the unit beside it. */
export function QuantityInput({
  quantity,
  onText,
  ...props
}: {
  quantity: Quantity;
  value: string;
  label: ReactNode;
  /** what was typed; `readQuantity` says what it is */
  onText(text: string): void;
} & Omit<TextInputProps, 'onChange' | 'value' | 'label'>) {
  return (
    <TextInput
      {...props}
      inputMode="text"
      autoComplete="off"
      maxLength={40}
      rightSection={<span aria-hidden="true">{unitOf(quantity)}</span>}
      rightSectionWidth={52}
      rightSectionPointerEvents="none"
      onChange={(event) => onText(event.currentTarget.value)}
    />
  );
}
