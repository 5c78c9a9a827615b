import { ToggleGroup } from 'radix-ui';
import { useId, type ReactNode } from 'react';
import { LABEL_LOOK } from './FieldFrame';

interface SegmentsProps<V extends string> {
  readonly label: string;
  readonly labelHidden?: boolean;
  readonly value: V;
  readonly options: readonly {
    readonly value: V;
    readonly label: string;
    readonly sign?: ReactNode;
  }[];
  readonly onChoose: (value: V) => void;
}

/** One of a few, all in sight. */
export function Segments<V extends string>({
  label,
  labelHidden = false,
  value,
  options,
  onChoose,
}: SegmentsProps<V>) {
  const id = useId();
  return (
    <div className="flex min-w-0 flex-col gap-1">
      <span id={id} className={labelHidden ? 'sr-only' : LABEL_LOOK}>
        {label}
      </span>
      <ToggleGroup.Root
        type="single"
        aria-labelledby={id}
        value={value}
        onValueChange={(next) => {
          if (next) onChoose(next as V);
        }}
        className="flex flex-wrap gap-y-px"
      >
        {options.map((option) => (
          <ToggleGroup.Item
            key={option.value}
            value={option.value}
            className="-ml-px flex h-9 flex-1 items-center justify-center gap-2 border border-line-strong bg-sheet px-2.5 text-sm whitespace-nowrap first:ml-0 first:rounded-l-sm last:rounded-r-sm hover:bg-sunk focus-visible:z-10 data-[state=on]:bg-palm-wash data-[state=on]:font-semibold"
          >
            {option.sign}
            {option.label}
          </ToggleGroup.Item>
        ))}
      </ToggleGroup.Root>
    </div>
  );
}
