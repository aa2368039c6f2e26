import { ohms, watts } from '../../formatting/format.ts';
import type { ResistorNetwork } from '../../model/cures.ts';
import type { Job } from '../../model/job.ts';
import type { Shelf } from '../../model/part.ts';
import type { Lamp } from '../../model/vehicle/lamp.ts';
import { feedProof, isProved, wireWords } from '../../wiring/feedProof.ts';
import { feedWords, type LooseResistor } from '../../wiring/looseResistors.ts';
import type { FitStep } from './fitStep.ts';

const MOUNT_WORDS: Record<Lamp['resistorMount'], string> = {
  none: 'bare metal',
  panel: 'bare panel metal',
  chassis: 'the chassis',
  bracket: 'the lamp’s bracket, on standoffs',
  recess: 'the lamp’s recess',
  unknown: 'bare metal, if there is any: look first',
};

const HOT = 'It gets past 100 °C. Never on plastic, rubber, carpet or against wiring.';

const piecesInWords = ({ pieces }: ResistorNetwork) =>
  pieces.map((piece) => `${ohms(piece.ohms)} ${watts(piece.watts)}`).join(' and ');

/** Mounting a resistor and joining it: drilled before anything is put back. */
export function resistorSteps(job: Job, lamp: Lamp, { id, network, feed, proof }: LooseResistor): FitStep[] {
  const turns = feed === 'turn feed';
  const parts = piecesInWords(network);
  const joined =
    network.pieces.length === 1
      ? ''
      : network.connection === 'series'
        ? ', joined in a row'
        : ', joined side by side';
  const proved = proof.feed !== null && isProved(proof.feed);
  const at = { lampId: lamp.id, openingId: lamp.access.group, place: lamp.name };
  const load = { network, feed, proof };
  return [
    {
      ...at,
      id: `mount-${id}`,
      kind: 'mount',
      title: `Mount ${parts} on ${MOUNT_WORDS[lamp.resistorMount]}`,
      text: 'Bare metal, in air, clear of the loom, held by a screw. Check that the leads reach before drilling; paint the drilled edge.',
      cautions: [HOT, 'Look behind the panel before drilling.'],
      minutes: [4, 10],
      timedAs: 'mount',
      load,
    },
    {
      ...at,
      id: `tap-${id}`,
      kind: 'tap',
      title: `Tap ${parts} across the ${feed}`,
      text:
        lamp.end === 'dash'
          ? `Across the two contacts of the lamp’s holder${joined}; which lead goes where does not matter. Keep it clear of the flexible circuit.`
          : `One lead to the ${feed}${proved && proof.feed ? ` (${wireWords(proof.feed)})` : ''}, the other to earth${joined}; which lead goes where does not matter. ${proved ? '' : `Prove the feed with the meter${turns ? ': it bounces with the flash' : ''}. `}${jointWords(job, lamp)}`,
      cautions: turns
        ? [
            'Colour is a hint, the meter decides. On the tail feed the resistor does nothing for the flash and heats all night.',
          ]
        : ['Colour is a hint, the meter decides.'],
      minutes: [4, 9],
      timedAs: 'tap',
      load,
    },
  ];
}

/** Insulation-displacement taps are quick and allowed where it stays dry, if the installer works so. */
function jointWords({ habits }: Job, { end }: Lamp): string {
  return habits?.joints === 'taps-inside' && (end === 'inside' || end === 'dash')
    ? 'A tap of the wire’s own size will do here, where it stays dry.'
    : 'Crimp and shrink, for this lamp gets wet.';
}

/** A resistor on a plug of its own. */
export function harnessStep(job: Job, shelf: Shelf, lamp: Lamp, network: ResistorNetwork): FitStep {
  const parts = piecesInWords(network);
  const code = shelf.find((each) => each.id === network.pieces[0]?.partId)?.code ?? parts;
  return {
    id: `harness-${lamp.id}`,
    kind: 'harness',
    lampId: lamp.id,
    openingId: lamp.access.group,
    place: lamp.name,
    title: `Plug ${code} between socket and LED, its resistor on ${MOUNT_WORDS[lamp.resistorMount]}`,
    text: `The socket into the harness, the LED into its other end; the ${parts} screwed to bare metal, in air, clear of the loom. See that the leads reach before drilling, and that the socket still twists home with the plug in between.`,
    cautions: [HOT],
    minutes: [4, 9],
    timedAs: 'harness',
    load: { network, feed: feedWords(job, network), proof: feedProof(job.vehicle, lamp.id, network.input) },
  };
}
