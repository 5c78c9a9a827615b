import type { Amount } from '@bienestar/core/house/house';
import { LARGEST_CONTENT } from '@bienestar/core/house/limits';
import { Choice } from '../../../parts/Choice';
import { useHouse } from '../../../store/house';
import { TripleField } from '../../../parts/TripleField';
import { quantityOf, restate, stated, wayOf, waysFor, type Measured } from './amountWays';

interface AmountEditorProps {
  readonly amount: Amount;
  /** nothing for a mix */
  readonly material: Measured | undefined;
  readonly name: string;
  readonly onChange: (amount: Amount) => void;
}

/** The number of an amount, by any school of dosing. */
export function AmountEditor({ amount, material, name, onChange }: AmountEditorProps) {
  const ways = waysFor(material, useHouse().settings.vessels);
  const way = wayOf(amount);
  const label = ways.find((each) => each.key === way)?.label ?? way;
  const quantity = quantityOf(amount);
  return quantity ? (
    <TripleField
      key={way}
      legend={`Amount of ${name}`}
      legendHidden
      labels={['low', 'usual', 'high']}
      values={[quantity.low, quantity.usual, quantity.high]}
      unit={label}
      largest={LARGEST_CONTENT}
      onCommit={([low, usual, high]) => onChange(stated(way, { low, usual, high }))}
    />
  ) : (
    <p className="text-sm text-ink-soft">over the zones of this step</p>
  );
}

/** What the number of an amount counts. */
export function AmountWayChoice({ amount, material, name, onChange }: AmountEditorProps) {
  const ways = waysFor(material, useHouse().settings.vessels);
  const way = wayOf(amount);
  const known = ways.some((each) => each.key === way);
  return (
    <Choice
      label={`${name}, stated in`}
      labelHidden
      value={way}
      options={(known ? ways : [...ways, { key: way, label: way }]).map((each) => ({
        value: each.key,
        label: each.label,
      }))}
      onChoose={(key) => onChange(restate(amount, key))}
    />
  );
}
