import { NumberField, type ValueOrNone } from './NumberField';

const KEPT = 1_000_000;

type PercentFieldProps = PercentFieldLook & ValueOrNone;

/** Its value is a share of 1. */
interface PercentFieldLook {
  readonly label: string;
  readonly labelHidden?: boolean;
  readonly onCommit: (share: number) => void | Promise<string | undefined>;
  /** as shares of 1, ends included */
  readonly from?: number;
  readonly to?: number;
  readonly commitOn?: 'typing' | 'leaving';
  readonly hint?: string;
  readonly className?: string;
}

/** A share, typed in percent. */
export function PercentField({
  value,
  onCommit,
  onClear = 'needed',
  from = 0,
  to = 1,
  ...rest
}: PercentFieldProps) {
  return (
    <NumberField
      {...rest}
      unit="%"
      onClear={onClear}
      value={value === undefined ? undefined : rounded(value * 100)}
      check={(percent) =>
        percent / 100 >= from && percent / 100 <= to
          ? undefined
          : `Must be from ${rounded(from * 100)} to ${rounded(to * 100)} %.`
      }
      onCommit={(percent) => onCommit(rounded(percent / 100))}
    />
  );
}

/** Without the digits that only the change between percent and share brings in. */
function rounded(value: number): number {
  return Math.round(value * KEPT) / KEPT;
}
