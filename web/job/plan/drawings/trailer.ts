import type { Drawing } from './drawing.ts';

/** Drawbar with its coupling and plug lead, one axle outside the body, a serving hatch along the right flank. */
export const TRAILER: Drawing = {
  body: ['M0.04,0.23Q0.04,0.2 0.1,0.2L0.9,0.2Q0.96,0.2 0.96,0.23L0.96,0.99L0.04,0.99Z'],
  lines: [
    'M0.2,0.2L0.47,0.035L0.53,0.035L0.8,0.2',
    'M0.46,0.035Q0.5,-0.005 0.54,0.035',
    'M-0.03,0.56L0.04,0.56L0.04,0.7L-0.03,0.7Z',
    'M1.03,0.56L0.96,0.56L0.96,0.7L1.03,0.7Z',
    'M0.88,0.3L0.88,0.86',
    'M0.3,0.95L0.7,0.95L0.7,0.99',
    'M0.3,0.95L0.3,0.99',
  ],
  hints: [
    'M0.5,0.045C0.56,0.09 0.47,0.13 0.5,0.2',
    'M0.12,0.28L0.78,0.28L0.78,0.9L0.12,0.9Z',
    'M0.04,0.63L0.96,0.63',
  ],
};
