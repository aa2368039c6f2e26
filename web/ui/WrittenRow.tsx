import classes from './Written.module.css';

/** One thing that was written down, and a way to take it off again; undo brings it back. */
export function WrittenRow({ text, at, remove }: { text: string; at?: string | undefined; remove(): void }) {
  return (
    <li className={classes.row}>
      <span>
        {text}
        {at && <small>{at}</small>}
      </span>
      <button type="button" className={classes.remove} aria-label={`Take off: ${text}`} onClick={remove}>
        ×
      </button>
    </li>
  );
}
