import type { PickList } from '../../../core/inventory/picklist.ts';
import { useDesk } from '../../job/workspace.ts';
import { price } from '../../ui/money.ts';
import classes from './Pick.module.css';

/** What decides: whether everything is there, and what has to be bought first. */
export function PickHead({ list }: { list: PickList }) {
  const { job } = useDesk();
  const { lines, knownTotal, boughtTotal, unpriced } = list;
  const missing = lines.filter(({ toBuy }) => toBuy > 0);
  const packs = missing.reduce((sum, line) => sum + (line.packs?.count ?? 0), 0);
  const loose = missing.reduce((sum, line) => sum + (line.packs ? 0 : line.toBuy), 0);
  const wrong = job.wrongParts?.length ?? 0;
  const count = (many: number, one: string) => `${many} ${one}${many === 1 ? '' : 's'}`;
  const bought = [packs > 0 ? count(packs, 'pack') : '', loose > 0 ? count(loose, 'piece') : ''].filter(
    Boolean,
  );
  return (
    <section className={classes.head} aria-label="What there is to pick">
      <p className={classes.decides}>
        {lines.length === 0
          ? 'Nothing to pick yet. Choose LEDs and a cure, and everything they need is listed here.'
          : missing.length === 0
            ? `All ${lines.length} lines are on the shelf.`
            : `${count(missing.length, 'line')} of ${lines.length} to buy: ${bought.join(' and ')}.`}
        {wrong > 0 && ` ${count(wrong, 'part')} came wrong.`}
      </p>
      {lines.length > 0 && (
        <dl className={classes.sums}>
          <div>
            <dt>Parts as used</dt>
            <dd>{price(knownTotal)}</dd>
          </div>
          <div>
            <dt>To pay for what is missing</dt>
            <dd>{price(boughtTotal)}</dd>
          </div>
          <div>
            <dt>Without a price</dt>
            <dd>{unpriced === 0 ? 'none' : count(unpriced, 'line')}</dd>
          </div>
        </dl>
      )}
    </section>
  );
}
