import { useId } from 'react';
import { VERDICT_WORDS, type VerdictState } from '../../core/judge/states.ts';

/** The shape of a verdict: never colour alone. A full lens, a hatched lens, a triangle, a barred square. */
export function Mark({
  state,
  size = 14,
  label = false,
}: {
  state: VerdictState;
  size?: number;
  label?: boolean;
}) {
  const hatch = useId();
  return (
    <svg
      width={size}
      height={size}
      viewBox="0 0 14 14"
      role={label ? 'img' : undefined}
      aria-label={label ? VERDICT_WORDS[state] : undefined}
      aria-hidden={label ? undefined : true}
      focusable="false"
    >
      {state === 'holds' && <path d="M2 2h5a5 5 0 0 1 0 10H2z" fill="var(--petrol)" />}
      {state === 'either-way' && (
        <>
          <defs>
            <pattern
              id={hatch}
              width="3"
              height="3"
              patternUnits="userSpaceOnUse"
              patternTransform="rotate(45)"
            >
              <path d="M0 0v3" stroke="var(--slate)" strokeWidth="2.4" />
            </pattern>
          </defs>
          <path
            d="M2 2h5a5 5 0 0 1 0 10H2z"
            fill={`url(#${hatch})`}
            stroke="var(--slate)"
            strokeWidth="1.2"
          />
        </>
      )}
      {state === 'falls-short' && (
        <path
          d="M1.5 12L7 2l5.5 10z"
          fill="none"
          stroke="var(--plum)"
          strokeWidth="1.8"
          strokeLinejoin="round"
        />
      )}
      {state === 'too-much' && (
        <path
          d="M2 2h10v10H2zM4 7h6"
          fill="none"
          stroke="var(--plum)"
          strokeWidth="1.8"
          strokeLinejoin="round"
        />
      )}
    </svg>
  );
}
