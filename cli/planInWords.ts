import type { JobFile } from '../core/formats/jobFile.ts';
import { amps, ohms, perMinute, volts, watts } from '../core/formatting/format.ts';
import { VERDICT_WORDS } from '../core/judge/states.ts';
import type { RatePrediction } from '../core/judge/verdict.ts';
import { companyWords } from '../core/words/verdicts.ts';
import type { Plan } from './plan.ts';

/** The plan as text for a terminal. */
export function planInWords({ job }: JobFile, plan: Plan): string {
  return [
    `${job.title}: ${job.vehicle.name}, ${job.vehicle.year}, ${job.vehicle.systemVolts} V`,
    `The whole plan: ${VERDICT_WORDS[plan.state]}`,
    '',
    ...configuration('As it is', plan.stock),
    ...configuration('LEDs alone', plan.leds),
    ...configuration('With the cure', plan.verdict),
    ...steady(plan),
    ...resistors(plan),
    ...(plan.cautions.length > 0 ? ['Mind:', ...plan.cautions.map((each) => `  ${each}`), ''] : []),
    ...(plan.verdict ? power(plan) : []),
  ].join('\n');
}

/** Circuits that are on steadily, those that nothing minds in one line each. */
function steady(plan: Plan): string[] {
  if (plan.steady.length === 0) return [];
  const lines = plan.steady.map(
    ({ name, verdict, leds }) =>
      `  ${name}: ${VERDICT_WORDS[verdict.state]}${leds.state === verdict.state ? '' : ` (LEDs alone: ${VERDICT_WORDS[leds.state].toLowerCase()})`}. ${verdict.reason}`,
  );
  return ['On steadily, with the cure:', ...lines, ''];
}

function configuration(title: string, verdict: Plan['verdict']): string[] {
  if (!verdict) return [];
  const lines = [`${title}: ${VERDICT_WORDS[verdict.state]}`];
  for (const circuit of verdict.circuits) {
    lines.push(`  ${circuit.name.toLowerCase()}, ${rate(circuit.rate)}: ${circuit.reason}`);
    for (const { volts: at, company, amps: current, band } of circuit.points) {
      lines.push(
        `    ${volts(at)}${companyWords(company)}  ${amps(current.nominal)}  band ${amps(band.lowAmps)} to ${amps(band.highAmps)}`,
      );
    }
  }
  const { hazard } = verdict;
  lines.push(
    hazard ? `  hazard, ${rate(hazard.rate)}: ${hazard.reason}` : '  This vehicle has no hazard switch.',
    '',
  );
  return lines;
}

function rate({ low, high }: RatePrediction): string {
  return low === high ? perMinute(low) : `${Math.round(low)} or ${perMinute(high)}`;
}

function resistors(plan: Plan): string[] {
  return plan.resistors.flatMap((side) => [
    `Resistors, ${side.circuitId}: ${side.none ?? `${side.found} sets fit of ${side.examined} there are${side.more > 0 ? `, the best; ${side.more} more hold, their heat not looked at` : ''}`}`,
    ...side.choices.map(
      (choice, index) =>
        `  ${index + 1}. ${choice.pieces.map((piece) => `${ohms(piece.ohms)} ${watts(piece.watts)}`).join(' + ')}, ${
          choice.pieces.length === 1 ? 'single' : choice.connection === 'series' ? 'in a row' : 'side by side'
        } = ${ohms(choice.ohms)}, ${watts(choice.litWatts)} lit, ${choice.onShelf ? 'on the shelf' : 'to buy'}`,
    ),
    ...side.arithmetic.map((line) => `  ${line.label}: ${line.working} = ${line.result}`),
    '',
  ]);
}

function power({ pickList: { power: saved } }: Plan): string[] {
  return [
    `Power with all turn lamps lit at ${volts(saved.volts)}: stock ${watts(saved.stockWatts)}, LEDs ${watts(saved.ledWatts)}, resistors ${watts(saved.resistorWatts)}, saved ${watts(saved.savedWatts)}.`,
  ];
}
