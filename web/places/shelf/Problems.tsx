import classes from './Shelf.module.css';

const SHOWN = 20;

/** Lines of a table that cannot be read, each with what to write instead. */
export function Problems({ problems }: { problems: readonly { line: number; text: string }[] }) {
  if (problems.length === 0) return null;
  return (
    <>
      <p className={classes.wrong}>
        {problems.length === 1 ? 'One line' : `${problems.length} lines`} cannot be read:
      </p>
      <ul className={classes.problems}>
        {problems.slice(0, SHOWN).map((problem) => (
          <li key={`${problem.line} ${problem.text}`}>
            Line {problem.line}: {problem.text}
          </li>
        ))}
      </ul>
      {problems.length > SHOWN && <p className="faint">and {problems.length - SHOWN} more.</p>}
    </>
  );
}
