import { wireHex } from '../../../../core/catalogue/wires.ts';
import { networkOhms } from '../../../../core/circuit/resistorNetwork.ts';
import { ohms, watts } from '../../../../core/formatting/format.ts';
import type { Job } from '../../../../core/model/job.ts';
import { colourLetters, isProved, type KnownWire, wireWords } from '../../../../core/wiring/feedProof.ts';
import type { FitStep } from '../../../../core/work/steps/fitStep.ts';
import classes from './StepDrawing.module.css';

/** The picture beside a step: where the resistor goes between feed, earth and lamp, in the wires' own colours. */
export function StepDrawing({ step, job }: { step: FitStep; job: Job }) {
  if (!step.load) return null;
  const { network, feed, proof } = step.load;
  const lamp = job.vehicle.lamps.find((each) => each.id === step.lampId);
  const parts = network.pieces.map((piece) => `${ohms(piece.ohms)} ${watts(piece.watts)}`).join(' and ');
  const value = networkOhms(network);
  return (
    <figure className={classes.figure}>
      <svg
        viewBox="0 0 358 178"
        role="img"
        aria-label={`${parts} between the ${feed} and earth, ${network.plugged ? 'on a plug before the lamp' : 'beside the lamp'}`}
      >
        <Wire y={40} wire={proof.feed} />
        <Wire y={138} wire={proof.earth} />
        <path d="M250 22h58a32 44 0 0 1 0 132h-58z" className={classes.housing} />
        <path d="M252 40h26v26M252 138h26v-26" className={classes.lead} />
        <path d="M266 66h24v46h-24z" className={classes.bulb} />
        <path d="M112 40V66M112 112V138" className={classes.lead} />
        <rect x="96" y="66" width="32" height="46" rx="3" className={classes.resistor} />
        <path d="M90 72v34M134 72v34" className={classes.fin} />
        <circle cx="112" cy="40" r="7" className={classes.joint} />
        <circle cx="112" cy="138" r="7" className={classes.joint} />
        <text x="146" y="86" className={classes.strong}>
          {parts}
        </text>
        <text x="146" y="104" className={classes.text}>
          on bare metal
        </text>
        <text x="6" y="24" className={classes.text}>
          {network.plugged ? `${feed}, in the plug` : `${feed}, ${short(proof.feed)}`}
        </text>
        <text x="6" y="164" className={classes.text}>
          earth{proof.earth ? `, ${short(proof.earth)}` : ''}
        </text>
      </svg>
      <figcaption className="faint">
        Across the plug of {lamp?.name.toLowerCase()}, LED out, plug off: expect {ohms(value * 0.95)} to{' '}
        {ohms(value * 1.05)}, computed from the printed value.{' '}
        {network.plugged ? '' : `Feed: ${wireWords(proof.feed)}.`}
      </figcaption>
    </figure>
  );
}

/** `BK/WH, proved by meter`: as much as a drawing has room for. */
const short = (wire: KnownWire | null) => {
  if (!wire) return 'not proved';
  const known = isProved(wire) ? `proved by ${wire.provedBy}` : 'unproved';
  return [colourLetters(wire.colour), known].filter(Boolean).join(', ');
};

/** A wire in its colour with its tracer; one nobody has looked at is drawn broken. */
function Wire({ y, wire }: { y: number; wire: KnownWire | null }) {
  if (!wire?.colour) return <path d={`M4 ${y}H252`} className={classes.unknown} />;
  const { base, tracer } = wire.colour;
  return (
    <>
      <path d={`M4 ${y}H252`} className={classes.outline} />
      <path d={`M4 ${y}H252`} stroke={wireHex(base)} strokeWidth="8" />
      {tracer && <path d={`M4 ${y}H252`} stroke={wireHex(tracer)} strokeWidth="2.6" strokeDasharray="14 9" />}
    </>
  );
}
