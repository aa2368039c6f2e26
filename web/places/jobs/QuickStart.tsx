import { useNavigate } from 'react-router';
import { LampTiles } from '../quick/LampTiles.tsx';
import { useQuestion } from '../quick/useQuestion.ts';
import classes from './JobsPlace.module.css';

/** Most jobs begin with an LED in the hand: the first tap of the quick check. */
export function QuickStart() {
  const { begin } = useQuestion();
  const navigate = useNavigate();
  return (
    <section className={classes.quick} aria-label="Quick check">
      <h2>Will this LED flash fast in that?</h2>
      <p>Quick check, three taps: which lamps, which bulb, which LED. Which lamps?</p>
      <LampTiles
        onTake={(lamps) => {
          begin(lamps);
          navigate('/quick');
        }}
      />
    </section>
  );
}
