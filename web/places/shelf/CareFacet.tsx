import { LIMITS, within } from '@bienestar/contract/limits';
import { PROTECTS, STOP_FOR, WARNINGS, type CareFacts } from '@bienestar/core/house/careFacts';
import type { Material } from '@bienestar/core/house/house';
import { LONGEST_TEXT } from '@bienestar/core/house/limits';
import { LABEL_LOOK } from '../../parts/FieldFrame';
import { NumberField } from '../../parts/NumberField';
import { TextField } from '../../parts/TextField';
import type { ChangePart } from '../../store/useEditPart';
import { PROTECT_WORDS, STOP_WORDS, WARNING_WORDS } from './careWords';

interface CareFacetProps {
  readonly material: Material;
  readonly change: ChangePart<Material>;
}

/** What the maker's sheet says: warnings, whom not to treat, allergens, storage, patch test. */
export function CareFacet({ material, change }: CareFacetProps) {
  const care = material.care ?? {};
  const put = (changes: Partial<CareFacts>): Promise<string | undefined> =>
    change(({ care: latest }) => {
      const entries: [string, unknown][] = Object.entries({ ...latest, ...changes });
      const next = Object.fromEntries(entries.filter(([, held]) => saysSomething(held)));
      return { care: Object.keys(next).length > 0 ? next : undefined };
    });
  return (
    <div className="flex flex-col gap-4">
      <Ticks
        label="Warnings"
        all={WARNINGS}
        words={WARNING_WORDS}
        on={care.warnings ?? []}
        onChange={(warnings) => void put({ warnings })}
      />
      <Ticks
        label="Not without asking the maker’s sheet or a physician"
        all={STOP_FOR}
        words={STOP_WORDS}
        on={care.stopFor ?? []}
        onChange={(stopFor) => void put({ stopFor })}
      />
      <Ticks
        label="Protects"
        all={PROTECTS}
        words={PROTECT_WORDS}
        on={care.protects ?? []}
        onChange={(protects) => void put({ protects })}
      />
      <div className="grid grid-cols-2 gap-3">
        <NumberField
          commitOn="leaving"
          label="Strength of what works in it"
          unit="%"
          value={care.strengthPercent}
          check={within(LIMITS.strengthPercent)}
          onCommit={(strengthPercent) => put({ strengthPercent })}
          onClear={() => void put({ strengthPercent: undefined })}
        />
        <NumberField
          commitOn="leaving"
          label="pH"
          hint="Acids below 3, or of 30 % and more, are pointed out."
          value={care.ph}
          check={within(LIMITS.ph)}
          onCommit={(ph) => put({ ph })}
          onClear={() => void put({ ph: undefined })}
        />
      </div>
      <TextField
        commitOn="leaving"
        label="Allergens, as the label names them"
        hint="With commas between."
        longest={LONGEST_TEXT}
        value={(care.allergens ?? []).join(', ')}
        onCommit={(text) => put({ allergens: namesIn(text) })}
      />
      <div className="grid grid-cols-[8rem_1fr] gap-3">
        <NumberField
          commitOn="leaving"
          label="Patch test before"
          unit="h"
          value={care.patchTest?.hoursBefore}
          check={within(LIMITS.patchTestHours)}
          onCommit={(hoursBefore) => put({ patchTest: { ...care.patchTest, hoursBefore } })}
          onClear={() => void put({ patchTest: undefined })}
        />
        <TextField
          commitOn="leaving"
          label="How"
          longest={LONGEST_TEXT}
          value={care.patchTest?.advice ?? ''}
          onCommit={(advice) =>
            care.patchTest
              ? put({
                  patchTest: {
                    hoursBefore: care.patchTest.hoursBefore,
                    ...(advice.trim() !== '' && { advice }),
                  },
                })
              : Promise.resolve('Say how many hours before first.')
          }
        />
      </div>
      <TextField
        commitOn="leaving"
        label="Storage"
        longest={LONGEST_TEXT}
        value={care.storage ?? ''}
        onCommit={(storage) => put({ storage })}
      />
      <TextField
        commitOn="leaving"
        label="Where the maker’s sheet is filed"
        longest={LONGEST_TEXT}
        value={care.sheet ?? ''}
        onCommit={(sheet) => put({ sheet })}
      />
      <p className="text-sm text-ink-soft">
        These are prompts for whoever treats, never a permission. Follow the maker’s instructions,
        local codes and the limits of your licence; refer to a physician when in doubt.
      </p>
    </div>
  );
}

function saysSomething(held: unknown): boolean {
  return Array.isArray(held) ? held.length > 0 : held !== undefined && held !== '';
}

interface TicksProps<V extends string> {
  readonly label: string;
  readonly all: readonly V[];
  readonly words: Readonly<Record<V, string>>;
  readonly on: readonly V[];
  readonly onChange: (on: readonly V[]) => void;
}

function Ticks<V extends string>({ label, all, words, on, onChange }: TicksProps<V>) {
  return (
    <fieldset>
      <legend className={LABEL_LOOK}>{label}</legend>
      <div className="mt-1 flex flex-wrap gap-1.5">
        {all.map((each) => (
          <label
            key={each}
            className="flex items-center gap-1.5 rounded-sm border border-line px-2 py-1 text-sm has-checked:border-clay has-checked:bg-clay-wash has-checked:font-semibold"
          >
            <input
              type="checkbox"
              className="accent-clay"
              checked={on.includes(each)}
              onChange={() =>
                onChange(
                  on.includes(each)
                    ? on.filter((other) => other !== each)
                    : all.filter((other) => on.includes(other) || other === each),
                )
              }
            />
            {words[each]}
          </label>
        ))}
      </div>
    </fieldset>
  );
}

function namesIn(text: string): string[] {
  return [...new Set(text.split(',').map((name) => name.trim()))].filter(Boolean);
}
