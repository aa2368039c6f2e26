import { Button, Slider } from '@mantine/core';
import classes from './Weighing.module.css';

/** What somebody cares about, each with its weight; folded away until it is wanted. */
export function Weighing<C extends string>({
  criteria,
  words,
  weights,
  weigh,
  reset,
  resetWords,
}: {
  criteria: readonly C[];
  words: Readonly<Record<C, string>>;
  weights: Readonly<Record<C, number>>;
  weigh(criterion: C, weight: number): void;
  reset(): void;
  /** what the weights go back to: `As the trade mostly weighs` */
  resetWords: string;
}) {
  return (
    <details className={classes.fold}>
      <summary>What matters to you</summary>
      <div className={classes.weights}>
        {criteria.map((criterion) => (
          <div key={criterion}>
            <span>{words[criterion]}</span>
            <Slider
              min={0}
              max={10}
              step={1}
              label={null}
              thumbLabel={words[criterion]}
              value={weights[criterion]}
              onChange={(value) => weigh(criterion, value)}
            />
          </div>
        ))}
        <Button size="xs" variant="default" onClick={reset}>
          {resetWords}
        </Button>
      </div>
    </details>
  );
}
