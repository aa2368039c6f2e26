import { regionWords } from '../../formatting/regionWords.ts';
import type { Job } from '../../model/job.ts';
import type { Shelf } from '../../model/part.ts';
import { type FitStep, isBlocked } from '../../work/steps/fitStep.ts';
import { wordsOfCure } from '../cures.ts';
import { repairWords } from '../past.ts';
import {
  compareWords,
  FIXED,
  hazardRunWords,
  inTheWayWords,
  longRunWords,
  prepareWords,
  receiveWords,
  switchOnWords,
} from './frame.ts';
import { kitWords } from './kit.ts';
import { addWords, renewWords, swapWords, wholeWords } from './lamp.ts';
import { closeWords, openWords, testWords } from './panel.ts';
import { harnessWords, mountWords, tapWords } from './resistor.ts';
import type { StepWords } from './stepWords.ts';

/** A step with what it says. */
export type SaidStep = FitStep & StepWords;

/** A step of a job in the words of its vehicle's region. */
export function sayStep<S extends FitStep>(step: S, { vehicle }: Pick<Job, 'vehicle'>, shelf: Shelf) {
  const said = (text: string) => regionWords(vehicle.region, text);
  const words = wordsOf(step, vehicle, shelf);
  return {
    ...step,
    ...words,
    title: said(words.title),
    text: said(words.text),
    cautions: words.cautions.map(said),
    ...(words.ticks ? { ticks: words.ticks.map(({ id, label }) => ({ id, label: said(label) })) } : {}),
  };
}

/** The steps of a job in words. */
export function saySteps(steps: readonly FitStep[], job: Pick<Job, 'vehicle'>, shelf: Shelf): SaidStep[] {
  return steps.map((step) => sayStep(step, job, shelf));
}

function wordsOf(step: FitStep, vehicle: Job['vehicle'], shelf: Shelf): StepWords {
  const { about } = step;
  switch (about.of) {
    case 'receive':
      return receiveWords(about);
    case 'prepare':
      return prepareWords(about);
    case 'in-the-way':
    case 'in-the-way-back':
      return inTheWayWords(about);
    case 'switch-on':
      return switchOnWords(about);
    case 'switch-off':
    case 'battery-off':
    case 'battery-on':
    case 'keep-stock':
      return FIXED[about.of];
    case 'compare':
      return compareWords(about);
    case 'hazard-run':
      return hazardRunWords(about);
    case 'long-run':
      return longRunWords(about);
    case 'open':
      return openWords(about, isBlocked(step));
    case 'test':
      return testWords(about);
    case 'close':
      return closeWords(about);
    case 'swap':
      return swapWords(about);
    case 'renew':
      return renewWords(about);
    case 'repair':
      return repairWords(about);
    case 'whole':
      return wholeWords(about, vehicle);
    case 'mount':
      return mountWords(about);
    case 'tap':
      return tapWords(about);
    case 'harness':
      return harnessWords(about);
    case 'add':
      return addWords(about);
    case 'kit':
      return kitWords(about);
    case 'cure':
      return wordsOfCure(about.cure).step(about.cure, vehicle, shelf);
  }
}
