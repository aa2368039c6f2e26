/** Looks and trials that tell how a turn circuit is. */
export type TurnLookId =
  | 'listen'
  | 'relay'
  | 'trial'
  | 'trial-lights'
  | 'trial-engine'
  | 'one-filament'
  | 'outputs';

/** Everything cheap to look at or to try; `words/looks.ts` says what to do. */
export type LookId = TurnLookId | 'bulb-number' | 'watts' | 'glow' | 'watched' | 'brake-wire' | 'pilot';
