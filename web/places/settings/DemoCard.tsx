import { Button } from '@mantine/core';
import { useLiveQuery } from 'dexie-react-hooks';
import { demoHere, putDemoBack, takeDemoOut } from '../../store/demo.ts';
import { Card } from '../../ui/Card.tsx';
import { offerUndo } from '../../ui/offerUndo.tsx';
import { tellTrouble } from '../../ui/tellTrouble.ts';
import classes from './Settings.module.css';

/** What is in the demo, and how it goes and comes back. */
export function DemoCard() {
  const here = useLiveQuery(() => demoHere().catch(() => null));
  if (!here) return null;
  const takeOut = () =>
    takeDemoOut()
      .then((undo) => offerUndo('The demo was taken out', undo, 20_000))
      .catch(tellTrouble);
  return (
    <Card title="Demo" heading="h2">
      <p>
        An invented council’s workshop: six vehicles, a job in each state, a shelf of invented parts. Nothing
        of it is real, and nothing of yours hangs on it.
      </p>
      {here.jobs.length > 0 && (
        <ul className={classes.list}>
          {here.jobs.map(({ id, title, changed }) => (
            <li key={id}>
              {title}
              {changed ? ', worked on here: it goes to the bin' : ''}
            </li>
          ))}
        </ul>
      )}
      <p>{here.parts} of its parts are on the shelf; those another job names stay when it is taken out.</p>
      <div className={classes.row}>
        <Button variant="default" disabled={here.jobs.length + here.parts === 0} onClick={takeOut}>
          Take the demo out
        </Button>
        <Button
          variant="default"
          disabled={here.missing === 0}
          onClick={() => putDemoBack().catch(tellTrouble)}
        >
          Put the demo back
        </Button>
      </div>
    </Card>
  );
}
