import { sideBySide } from '../../../core/flashmeter/settle.ts';
import type { Configuration } from '../../../core/model/cures.ts';
import type { RateReading } from '../../../core/model/evidence.ts';
import { latestObservation } from '../../../core/record/observations.ts';
import { useDesk } from '../workspace.ts';

/** Left against right, where both were measured with what is fitted now. */
export function SidesCompared({ configuration }: { configuration: Configuration }) {
  const { job } = useDesk();
  const [left, right] = (['turn-left', 'turn-right'] as const).map((each) =>
    rateOf(latestObservation(job, configuration, each)),
  );
  if (!left || !right) return null;
  const { ratio, uncertainty, apart } = sideBySide(left, right);
  const share = (100 * Math.abs(ratio - 1)).toFixed(1);
  const off = (100 * uncertainty).toFixed(1);
  return (
    <p className="faint">
      {apart
        ? `Left flashes ${share} ± ${off} % ${ratio > 1 ? 'faster' : 'slower'} than right, measured: more than chance.`
        : `Left and right flash alike, measured to ± ${off} %.`}
    </p>
  );
}

/** A rate with its interval; one that was typed has none to compare by. */
function rateOf(observation: RateReading | undefined) {
  const { quantity } = observation ?? {};
  return quantity?.uncertainty == null
    ? null
    : { perMinute: quantity.value, uncertainty: quantity.uncertainty };
}
