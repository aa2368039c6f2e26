import { createTheme, type VariantColorsResolver } from '@mantine/core';

/** Every coloured Mantine control takes Vumble's one accent; lamp colours are never used for controls. */
const variantColorResolver: VariantColorsResolver = ({ variant }) => {
  switch (variant) {
    case 'filled':
      return {
        background: 'var(--petrol)',
        hover: 'var(--petrol-strong)',
        color: 'var(--ground)',
        border: '1px solid transparent',
      };
    case 'subtle':
    case 'transparent':
      return {
        background: 'transparent',
        hover: 'var(--deck2)',
        color: 'var(--ink)',
        border: '1px solid transparent',
      };
    default:
      return {
        background: 'var(--deck)',
        hover: 'var(--deck2)',
        color: 'var(--ink)',
        border: '1px solid var(--line2)',
      };
  }
};

export const theme = createTheme({
  fontFamily: 'var(--font)',
  headings: { fontFamily: 'var(--font-condensed)' },
  primaryColor: 'teal',
  defaultRadius: 'md',
  cursorType: 'pointer',
  respectReducedMotion: true,
  variantColorResolver,
});
