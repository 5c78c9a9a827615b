import { ToggleGroup } from 'radix-ui';
import { useId } from 'react';
import { LABEL_LOOK } from './FieldFrame';

interface TogglesProps<V extends string> {
  readonly label: string;
  readonly labelHidden?: boolean;
  readonly values: readonly V[];
  readonly options: readonly { readonly value: V; readonly label: string }[];
  readonly onChange: (values: readonly V[]) => void;
}

/** Any of several, each a word that is on or off. */
export function Toggles<V extends string>({
  label,
  labelHidden = false,
  values,
  options,
  onChange,
}: TogglesProps<V>) {
  const id = useId();
  return (
    <div className="flex min-w-0 flex-col gap-1">
      <span id={id} className={labelHidden ? 'sr-only' : LABEL_LOOK}>
        {label}
      </span>
      <ToggleGroup.Root
        type="multiple"
        aria-labelledby={id}
        value={[...values]}
        onValueChange={(next) => onChange(next as V[])}
        className="flex flex-wrap gap-1"
      >
        {options.map((option) => (
          <ToggleGroup.Item
            key={option.value}
            value={option.value}
            className="h-7 rounded-full border border-line-strong px-2.5 text-sm whitespace-nowrap hover:bg-sunk data-[state=on]:border-palm data-[state=on]:bg-palm-wash data-[state=on]:font-semibold"
          >
            {option.label}
          </ToggleGroup.Item>
        ))}
      </ToggleGroup.Root>
    </div>
  );
}
