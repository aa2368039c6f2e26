import type { Range } from '../../../../core/ledger/battery.ts';
import type { Money } from '../../../../core/ledger/wholeLedger.ts';
import { duration } from '../../../../core/ledger/words.ts';
import { useDesk } from '../../../job/workspace.ts';
import { Card } from '../../../ui/Card.tsx';
import { price, taxed } from '../../../ui/money.ts';
import { OptionalNumber } from '../../../ui/OptionalNumber.tsx';
import classes from './Ledger.module.css';

const between = ([least, most]: Range) =>
  price(least) === price(most) ? price(least) : `${price(least)} to ${price(most)}`;

/** Parts as used and as bought, minutes times a rate, and the total, in the shop's currency. */
export function MoneyCard({ money }: { money: Money }) {
  const { job, edit } = useDesk();
  return (
    <Card title="Money, in the shop’s currency">
      <dl className={classes.pairs}>
        <dt>Parts as used</dt>
        <dd>{price(money.partsUsed)}</dd>
        <dt>To pay now for what is missing</dt>
        <dd>{price(money.partsBought)}</dd>
        {money.unpriced > 0 && (
          <>
            <dt>Lines without a price</dt>
            <dd>{money.unpriced}, not in the sums</dd>
          </>
        )}
        <dt>Work</dt>
        <dd>
          {duration(money.minutes)}
          {money.work && `, ${between(money.work)}`}
        </dd>
        <dt>Total, parts as used{money.work ? ' and work' : ''}</dt>
        <dd>
          <b>{between(money.total)}</b>
          {taxed(money.total[1])}
        </dd>
      </dl>
      <OptionalNumber
        label="An hour of work costs"
        unit="an hour"
        empty="not said"
        min={0}
        max={10_000}
        decimals={2}
        value={job.ledger?.hourPrice}
        onSave={(value) =>
          edit(
            'Price of an hour',
            (draft) => {
              draft.ledger ??= {};
              if (value === undefined) delete draft.ledger.hourPrice;
              else draft.ledger.hourPrice = value;
            },
            { mergeKey: 'hour-price' },
          )
        }
      />
    </Card>
  );
}
