import { offeredOf } from '@bienestar/core/house/offered';
import { partsOf } from '@bienestar/core/house/sources';
import { Plus } from 'lucide-react';
import { Popover } from 'radix-ui';
import { useId, useMemo, useState, type KeyboardEvent } from 'react';
import type { Dose, House } from '@bienestar/core/house/house';
import { matcherOf, plainText } from '../../../format/search';
import { Button } from '../../../parts/Button';
import { INPUT_LOOK, LABEL_LOOK } from '../../../parts/FieldFrame';
import { useHouse } from '../../../store/house';
import { newDose, newMixDose, newPartDose } from '../newStep';

const MOST_SHOWN = 60;

interface Product {
  readonly id: string;
  readonly name: string;
  readonly plain: string;
  readonly dose: () => Dose;
}

/** Finds a product of the shelf by words in any order; nothing is put in before one is chosen. */
export function AddProduct({ onAdd }: { readonly onAdd: (dose: Dose) => void }) {
  const [isOpen, setIsOpen] = useState(false);
  return (
    <Popover.Root open={isOpen} onOpenChange={setIsOpen}>
      <Popover.Trigger asChild>
        <Button className="self-start">
          <Plus aria-hidden size={16} /> Add a product
        </Button>
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="start"
          sideOffset={4}
          aria-label="Add a product"
          className="z-40 flex w-96 flex-col gap-2 border border-line-strong bg-sheet p-3 shadow-sheet"
          onCloseAutoFocus={(event) => event.preventDefault()}
        >
          <Finder
            onChoose={(dose) => {
              setIsOpen(false);
              onAdd(dose);
            }}
          />
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

function Finder({ onChoose }: { readonly onChoose: (dose: Dose) => void }) {
  const house = useHouse();
  const id = useId();
  const [typed, setTyped] = useState('');
  const [at, setAt] = useState(0);
  const all = useMemo(() => productsOf(house), [house]);
  const found = useMemo(() => {
    const fits = matcherOf(typed);
    return all.filter(({ plain }) => fits(plain));
  }, [all, typed]);
  const shown = found.slice(0, MOST_SHOWN);
  const onKeyDown = (event: KeyboardEvent): void => {
    const product = shown[at];
    if (event.key === 'ArrowDown' || event.key === 'ArrowUp') {
      event.preventDefault();
      const next = at + (event.key === 'ArrowDown' ? 1 : -1);
      setAt(Math.max(0, Math.min(shown.length - 1, next)));
    } else if (event.key === 'Enter' && product) {
      event.preventDefault();
      onChoose(product.dose());
    }
  };
  return (
    <>
      <label htmlFor={id} className={LABEL_LOOK}>
        Find a product
      </label>
      <input
        id={id}
        type="text"
        role="combobox"
        autoComplete="off"
        spellCheck={false}
        aria-expanded
        aria-controls={`${id}-list`}
        aria-autocomplete="list"
        aria-activedescendant={shown[at] ? `${id}-${shown[at].id}` : undefined}
        placeholder="by words in any order, such as milk oil"
        className={INPUT_LOOK}
        value={typed}
        onChange={(event) => {
          setTyped(event.target.value);
          setAt(0);
        }}
        onKeyDown={onKeyDown}
      />
      <ul
        id={`${id}-list`}
        role="listbox"
        aria-label="Products"
        className="max-h-64 overflow-y-auto"
      >
        {shown.map((product, order) => (
          <li
            key={product.id}
            id={`${id}-${product.id}`}
            role="option"
            aria-selected={order === at}
            className={`cursor-pointer px-2 py-1.5 text-sm ${order === at ? 'bg-palm-wash font-semibold' : 'hover:bg-sunk'}`}
            onClick={() => onChoose(product.dose())}
          >
            {product.name}
          </li>
        ))}
      </ul>
      {shown.length < found.length && (
        <p className="text-xs text-ink-soft">
          {found.length - shown.length} more: type to find them.
        </p>
      )}
      {found.length === 0 && (
        <p role="status" className="text-sm text-ink-soft">
          Nothing on the shelf has these words.
        </p>
      )}
    </>
  );
}

function productsOf({ materials, mixes }: House): readonly Product[] {
  const named = (id: string, name: string, dose: () => Dose): Product => ({
    id,
    name,
    plain: plainText(name),
    dose,
  });
  return [
    ...offeredOf(materials).flatMap((each) => [
      named(each.id, each.name, () => newDose(each)),
      ...partsOf(each).map((part) =>
        named(`${each.id}-${part.id}`, `${part.name} (${each.name})`, () =>
          newPartDose(each, part),
        ),
      ),
    ]),
    ...offeredOf(mixes).map((each) => named(each.id, `${each.name} (mix)`, () => newMixDose(each))),
  ];
}
