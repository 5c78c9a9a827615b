import { Check, ChevronDown } from 'lucide-react';
import { Select } from 'radix-ui';
import { useId, useState } from 'react';
import { FieldFrame, INPUT_LOOK, noteId } from './FieldFrame';

interface Option<V extends string> {
  readonly value: V;
  readonly label: string;
}

interface ChoiceProps<V extends string> {
  readonly label: string;
  readonly labelHidden?: boolean;
  readonly value: V;
  readonly options: readonly Option<V>[];
  readonly onChoose: (value: V) => void;
  /** while nothing is chosen */
  readonly placeholder?: string;
  readonly hint?: string;
  readonly error?: string;
  readonly className?: string;
}

/** One of several, in a list that opens. */
export function Choice<V extends string>({
  label,
  labelHidden,
  value,
  options,
  onChoose,
  placeholder = 'Choose',
  hint,
  error,
  className,
}: ChoiceProps<V>) {
  const id = useId();
  const [open, setOpen] = useState(false);
  return (
    <FieldFrame
      id={id}
      label={label}
      labelHidden={labelHidden}
      hint={hint}
      error={error}
      className={className}
    >
      <Select.Root
        value={value}
        open={open}
        onOpenChange={setOpen}
        onValueChange={(next) => onChoose(next as V)}
      >
        <Select.Trigger
          id={id}
          aria-label={label}
          aria-invalid={error !== undefined}
          aria-describedby={error !== undefined || hint !== undefined ? noteId(id) : undefined}
          className={`${INPUT_LOOK} flex items-center justify-between gap-2 text-left`}
        >
          <span className="truncate">
            <Select.Value placeholder={placeholder}>
              {options.find((option) => option.value === value)?.label}
            </Select.Value>
          </span>
          <Select.Icon>
            <ChevronDown aria-hidden size={16} className="text-ink-soft" />
          </Select.Icon>
        </Select.Trigger>
        {/* A long list is only made when it is looked at: a step may have a dozen of them. */}
        {open && (
          <Select.Portal>
            <Select.Content
              position="popper"
              sideOffset={4}
              className="z-50 max-h-80 min-w-(--radix-select-trigger-width) overflow-hidden rounded-sm border border-line-strong bg-sheet shadow-sheet"
            >
              <Select.Viewport className="p-1">
                {options.map((option) => (
                  <Select.Item
                    key={option.value}
                    value={option.value}
                    className="flex h-9 items-center gap-2 rounded-sm pr-4 pl-7 text-base outline-none data-highlighted:bg-sunk"
                  >
                    <Select.ItemIndicator className="absolute left-2">
                      <Check aria-hidden size={14} />
                    </Select.ItemIndicator>
                    <Select.ItemText>{option.label}</Select.ItemText>
                  </Select.Item>
                ))}
              </Select.Viewport>
            </Select.Content>
          </Select.Portal>
        )}
      </Select.Root>
    </FieldFrame>
  );
}
