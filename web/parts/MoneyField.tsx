import { minorPerMajor } from '@bienestar/contract/currency';
import { LARGEST_MINOR } from '@bienestar/core/house/limits';
import { useHouse } from '../store/house';
import { NumberField, type ValueOrNone } from './NumberField';

type MoneyFieldProps = MoneyFieldLook & ValueOrNone;

/** Its value is in minor units. */
interface MoneyFieldLook {
  readonly label: string;
  readonly labelHidden?: boolean;
  readonly onCommit: (minor: number) => void | Promise<string | undefined>;
  readonly commitOn?: 'typing' | 'leaving';
  readonly hint?: string;
  readonly per?: string;
  readonly className?: string;
}

/** Money, typed in the house's currency and kept in minor units. */
export function MoneyField({ value, onCommit, onClear = 'needed', per, ...rest }: MoneyFieldProps) {
  const { currency } = useHouse().settings;
  const perMajor = minorPerMajor(currency);
  return (
    <NumberField
      {...rest}
      decimals={Math.round(Math.log10(perMajor))}
      unit={per === undefined ? currency : `${currency} ${per}`}
      onClear={onClear}
      value={value === undefined ? undefined : value / perMajor}
      check={(major) => {
        if (major < 0) return 'Must not be below 0.';
        if (major * perMajor > LARGEST_MINOR) return 'This is too much.';
        return isWhole(major * perMajor)
          ? undefined
          : `No smaller than ${1 / perMajor} ${currency}.`;
      }}
      onCommit={(major) => onCommit(Math.round(major * perMajor))}
    />
  );
}

function isWhole(value: number): boolean {
  return Math.abs(value - Math.round(value)) < 1e-6;
}
