import { AddedLamps } from './AddedLamps.tsx';
import classes from './Lamps.module.css';
import { WholeLamps } from './WholeLamps.tsx';

/** Lamps that come with their housings, and lamps the vehicle did not have. */
export default function Lamps() {
  return (
    <div className={classes.both}>
      <WholeLamps />
      <AddedLamps />
    </div>
  );
}
