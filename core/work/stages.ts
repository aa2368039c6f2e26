/** The stages of a job, in the order people work. */
export const STAGES = [
  'look-over',
  'identify',
  'choose',
  'cure',
  'pick',
  'fit',
  'prove',
  'hand-over',
] as const;
export type Stage = (typeof STAGES)[number];

export const STAGE_NAMES: Record<Stage, string> = {
  'look-over': 'Look over',
  identify: 'Identify',
  choose: 'Choose',
  cure: 'Cure',
  pick: 'Pick',
  fit: 'Fit',
  prove: 'Prove',
  'hand-over': 'Hand over',
};

export interface StageProgress {
  stage: Stage;
  done: boolean;
  /** what is still open, in a few words */
  note: string;
}
