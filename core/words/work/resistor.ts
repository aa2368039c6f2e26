import { ohms, watts } from '../../formatting/format.ts';
import { temperature } from '../../formatting/units.ts';
import type { ResistorNetwork } from '../../model/cures.ts';
import type { Lamp } from '../../model/vehicle/lamp.ts';
import { isProved, wireWords } from '../../wiring/feedProof.ts';
import type { About } from '../../work/steps/stepAbout.ts';
import type { StepWords } from './stepWords.ts';

const MOUNT_WORDS: Record<Lamp['resistorMount'], string> = {
  none: 'bare metal',
  panel: 'bare panel metal',
  chassis: 'the chassis',
  bracket: 'the lamp’s bracket, on standoffs',
  recess: 'the lamp’s recess',
  unknown: 'bare metal, if there is any: look first',
};

const hot = () => `It gets past ${temperature(100)}. Never on plastic, rubber, carpet or against wiring.`;

const piecesWords = ({ pieces }: ResistorNetwork) =>
  pieces.map((piece) => `${ohms(piece.ohms)} ${watts(piece.watts)}`).join(' and ');

/** A resistor screwed down. */
export function mountWords({ lamp, loose }: About<'mount'>): StepWords {
  return {
    place: lamp.name,
    title: `Mount ${piecesWords(loose.network)} on ${MOUNT_WORDS[lamp.resistorMount]}`,
    text: 'Bare metal, in air, clear of the loom, held by a screw. Check that the leads reach before drilling; paint the drilled edge.',
    cautions: [hot(), 'Look behind the panel before drilling.'],
  };
}

/** A resistor joined to its feed. */
export function tapWords({ lamp, loose, tapsInside }: About<'tap'>): StepWords {
  const { network, feed, proof } = loose;
  const turns = feed === 'turn feed';
  const joined =
    network.pieces.length === 1
      ? ''
      : network.connection === 'series'
        ? ', joined in a row'
        : ', joined side by side';
  const proved = proof.feed !== null && isProved(proof.feed);
  return {
    place: lamp.name,
    title: `Tap ${piecesWords(network)} across the ${feed}`,
    text:
      lamp.end === 'dash'
        ? `Across the two contacts of the lamp’s holder${joined}; which lead goes where does not matter. Keep it clear of the flexible circuit.`
        : `One lead to the ${feed}${proved && proof.feed ? ` (${wireWords(proof.feed)})` : ''}, the other to earth${joined}; which lead goes where does not matter. Hold the earth ring while its screw is tightened, so that it does not turn. ${proved ? '' : `Prove the feed with the meter${turns ? ': it bounces with the flash' : ''}. `}${jointWords(lamp, tapsInside)}`,
    cautions: turns
      ? [
          'Colour is a hint, the meter decides. On the tail feed the resistor does nothing for the flash and heats all night.',
        ]
      : ['Colour is a hint, the meter decides.'],
  };
}

/** Insulation-displacement taps are quick and allowed where it stays dry, if the installer works so. */
function jointWords({ end }: Lamp, tapsInside: boolean): string {
  return tapsInside && (end === 'inside' || end === 'dash')
    ? 'A tap of the wire’s own size will do here, where it stays dry.'
    : 'Crimp and shrink, for this lamp gets wet.';
}

/** A resistor on a plug of its own. */
export function harnessWords({ lamp, loose: { network }, code }: About<'harness'>): StepWords {
  const parts = piecesWords(network);
  return {
    place: lamp.name,
    title: `Plug ${code ?? parts} between socket and LED, its resistor on ${MOUNT_WORDS[lamp.resistorMount]}`,
    text: `The socket into the harness, the LED into its other end; the ${parts} screwed to bare metal, in air, clear of the loom. See that the leads reach before drilling, and that the socket still twists home with the plug in between.`,
    cautions: [hot()],
  };
}
