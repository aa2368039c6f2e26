import type { ToolsAt } from '../../../core/work/steps/tools.ts';
import { Card } from '../../ui/Card.tsx';
import classes from './Pick.module.css';

/** The tools of the steps, where each is needed: what lies at the other end of the vehicle is a walk. */
export function Tools({ tools }: { tools: readonly ToolsAt[] }) {
  if (tools.length === 0) return <p>No tools yet: there is nothing to fit.</p>;
  return (
    <div className={classes.tools}>
      {tools.map(({ place, tools: needed }) => (
        <Card key={place} title={place}>
          <ul>
            {needed.map((tool) => (
              <li key={tool}>{tool}</li>
            ))}
          </ul>
        </Card>
      ))}
    </div>
  );
}
