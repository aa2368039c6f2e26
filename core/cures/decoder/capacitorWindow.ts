import { STOP_TO_TAIL } from '../../catalogue/stopToTail.ts';
import { normalRate } from '../../devices/flasher.ts';
import { type FlickerRisk, flickerRisk, IEEE_1789, lowRiskLimit } from '../../flicker/ieee1789.ts';
import { farads, percent, volts } from '../../formatting/format.ts';
import { sourceWords } from '../../formatting/source.ts';
import { chargingVolts } from '../../judge/workingPoints.ts';
import type { Job } from '../../model/job.ts';
import type { DecoderPart, Shelf } from '../../model/part.ts';
import type { Circuit } from '../../model/vehicle/circuit.ts';
import type { ControllerOutput, Flasher } from '../../model/vehicle/flasher.ts';
import { lampIdsOf } from '../../model/vehicle/lookUp.ts';
import { dutyOf, outputOf } from '../../simulation/controls.ts';
import { type Fitment, fitmentOf } from '../../simulation/fitment.ts';
import { inrushOf } from '../../simulation/inrush.ts';
import { type Emitter, ledEmitterAt } from '../../simulation/lampLight.ts';
import { controlsFor } from '../../simulation/moment.ts';
import { afterglowSeconds, playPulses } from '../../simulation/pulsedFeed.ts';
import { VehicleSimulation } from '../../simulation/vehicleSimulation.ts';

/** One size of capacitor behind a diode at each LED of a pulsed feed. */
export interface CapacitorTrial {
  farads: number;
  /** (most − least) / (most + least) of the light: 1 is dark in every pause */
  modulation: number;
  risk: FlickerRisk;
  /** mean light, 1 when rated */
  light: number;
  /** how long the LED glows on after the feed has gone off, s */
  afterglowSeconds: number;
  peakAmps: number;
  /** the output switches off, taking it for a short */
  trips: boolean;
  /** of a turn lamp: it glows on through the dark half of the flash */
  blurs: boolean;
  /** decoders of the shelf with just this capacitor */
  codes: readonly string[];
}

/** What a capacitor can do on one pulsed feed. */
export interface CapacitorWindow {
  circuitId: string;
  lampId: string;
  hertz: number;
  /** share of the time it is on at the volts looked at */
  duty: number;
  emfVolts: number;
  to: 'hold' | 'dim';
  trials: readonly CapacitorTrial[];
  /** smallest tried that brings the flicker down to low risk, and largest the output feeds, F; null where none */
  leastFarads: number | null;
  mostFarads: number | null;
  verdict: 'works' | 'none-works' | 'refused';
  /** why, and what does work */
  text: string;
}

/** Sizes tried, three a decade, F: from what is inside an LED to what would not fit a lamp. */
const SIZES = [1e-5, 2.2e-5, 4.7e-5, 1e-4, 2.2e-4, 4.7e-4, 1e-3, 2.2e-3, 4.7e-3, 1e-2, 2.2e-2, 4.7e-2];
/** Light that the eye takes for dark after a lit lamp, share of rated. */
const DARK = 0.02;

/**
 * For each pulsed feed with an LED on it: every size of capacitor played pulse by pulse, with the engine charging,
 * where a voltage-holding output pulses deepest.
 *
 * @throws UnknownReferenceError when the job names a bulb or LED that is not known
 * @throws NoSolutionError when a feed cannot be solved
 */
export function capacitorWindows(job: Job, shelf: Shelf): CapacitorWindow[] {
  const fitment = fitmentOf(job, shelf, 'leds');
  const seen = new Set<string>();
  return job.vehicle.circuits.flatMap((circuit) => {
    const output = outputOf(job.vehicle, circuit);
    const emitter = ledOn(job, fitment, circuit);
    if (!output?.pwm || !emitter) return [];
    // The two sides are alike: one of them speaks for both.
    const same = JSON.stringify([output.pwm, output.inrush, circuit.kind, job.chosen[emitter.lampId]]);
    if (seen.has(same)) return [];
    seen.add(same);
    const window = windowOf(job, shelf, fitment, circuit, { ...output, pwm: output.pwm }, emitter);
    return window ? [window] : [];
  });
}

/** The first LED of a circuit. */
function ledOn({ vehicle }: Job, fitment: Fitment, circuit: Circuit): Emitter | null {
  for (const { lampId, input } of circuit.feeds) {
    const emitter = ledEmitterAt(vehicle, fitment, lampId, input);
    if (emitter) return emitter;
  }
  return null;
}

type PulsedOutput = ControllerOutput & { pwm: NonNullable<ControllerOutput['pwm']> };

function windowOf(
  job: Job,
  shelf: Shelf,
  fitment: Fitment,
  circuit: Circuit,
  output: PulsedOutput,
  emitter: Emitter,
): CapacitorWindow | null {
  const { vehicle } = job;
  const emfVolts = chargingVolts(vehicle.systemVolts);
  const controls = controlsFor(circuit);
  const duty = dutyOf(circuit, output, controls, emfVolts);
  if (duty >= 1) return null;
  const { hertz, to } = output.pwm;
  const decoders = shelf.filter((part): part is DecoderPart => part.kind === 'decoder');
  const sizes = new Set([...SIZES, ...decoders.flatMap((part) => part.capacitorFarads ?? [])]);
  const trials = [...sizes]
    .toSorted((a, b) => a - b)
    .map((size): CapacitorTrial => {
      const smoothed = new VehicleSimulation(vehicle, withCapacitor(fitment, circuit, size));
      const played = playPulses(smoothed, controls, emfVolts, circuit.id, { hertz, duty }, emitter);
      const inrush = inrushOf(smoothed, circuit, emfVolts);
      const afterglow = afterglowSeconds(smoothed, controls, emfVolts, circuit.id, emitter, {
        onSeconds: 0.3,
        dark: DARK,
      });
      return {
        farads: size,
        modulation: played.modulation,
        risk: flickerRisk(hertz, 100 * played.modulation),
        light: played.mean,
        afterglowSeconds: afterglow,
        peakAmps: inrush.peakAmps,
        trips: inrush.trips !== null,
        blurs: circuit.kind === 'turn' && afterglow > darkSeconds(fitment.flasher) / 2,
        codes: decoders.filter((part) => part.capacitorFarads === size).map((part) => part.code),
      };
    });
  const calm = trials.filter((each) => each.risk !== 'above-low-risk');
  const borne = trials.filter((each) => !each.trips && !each.blurs);
  const both = calm.filter((each) => borne.includes(each));
  const leastFarads = calm[0]?.farads ?? null;
  const mostFarads = borne.at(-1)?.farads ?? null;
  const verdict = to === 'dim' ? 'refused' : both.length > 0 ? 'works' : 'none-works';
  const base = { circuitId: circuit.id, lampId: emitter.lampId, hertz, duty, emfVolts, to, trials };
  return {
    ...base,
    leastFarads,
    mostFarads,
    verdict,
    text: words({ ...base, leastFarads, mostFarads, verdict }),
  };
}

/** How long a turn lamp is dark between two flashes, s. */
function darkSeconds(flasher: Flasher): number {
  return ((1 - flasher.onFraction) * 60) / normalRate(flasher);
}

/** A diode and so much capacitor before every LED of a circuit. */
function withCapacitor(fitment: Fitment, circuit: Circuit, capacitorFarads: number): Fitment {
  const part: DecoderPart = {
    kind: 'decoder',
    id: 'trial',
    code: 'trial',
    name: 'trial',
    price: 0,
    stock: 0,
    capacitorFarads,
  };
  return {
    ...fitment,
    wired: [
      ...fitment.wired.filter((each) => each.kind !== 'before-lamp'),
      ...lampIdsOf(circuit).map((lampId) => ({ kind: 'before-lamp' as const, lampId, part })),
    ],
  };
}

function words({
  to,
  hertz,
  duty,
  emfVolts,
  trials,
  leastFarads,
  mostFarads,
  verdict,
}: Omit<CapacitorWindow, 'text'>): string {
  const pulses = `At ${volts(emfVolts)} the output pulses ${Math.round(hertz)} times a second, on for ${percent(duty)}.`;
  if (to === 'dim') {
    const smooth = trials.filter((each) => each.risk !== 'above-low-risk');
    const light = (smooth[0] ?? trials.at(-1))?.light ?? 1;
    const ratio = light > 0 ? 1 / light : Number.POSITIVE_INFINITY;
    return `${pulses} It does so to dim: a capacitor large enough to smooth it fills to the pulses’ full volts, and the tail light would be ${percent(light)} of the full one, ${ratio.toFixed(1)} to 1 where stop to tail must be at least ${STOP_TO_TAIL.ratio} to 1 (${sourceWords(STOP_TO_TAIL.source)}). No capacitor can work here. What does: the filament left in, an LED with a dim feed of its own, or the flicker accepted.`;
  }
  if (verdict === 'works')
    return `${pulses} It does so to hold the lamp’s volts, and a capacitor behind a diode carries the LED over the pauses: from ${farads(leastFarads ?? 0)} the flicker is at most low risk (${lowRiskLimit(hertz).toFixed(0)} % at ${Math.round(hertz)} Hz, ${sourceWords(IEEE_1789)}), up to ${farads(mostFarads ?? 0)} the output feeds it from cold.`;
  const why =
    leastFarads === null
      ? `even ${farads(trials.at(-1)?.farads ?? 0)} leaves more than ${lowRiskLimit(hertz).toFixed(0)} %`
      : mostFarads === null
        ? 'the output takes every size for a short, or the flash is blurred by it'
        : `it would take ${farads(leastFarads)} to smooth it, and above ${farads(mostFarads)} the output switches off, or the flash is blurred`;
  return `${pulses} No capacitor can work: ${why}. What does: the filament left in, an LED that draws less, or the flicker accepted.`;
}
