import { useState } from 'react';
import { Link } from 'react-router';
import type { House, Pack } from '@bienestar/core/house/house';
import { asId, type MaterialId } from '@bienestar/core/house/ids';
import { isHeld } from '@bienestar/core/priceLists/applyList';
import { keyOfChange, type ListChange } from '@bienestar/core/priceLists/compareList';
import { money, number, percent } from '../../format/figures';
import { Button } from '../../parts/Button';
import { Choice } from '../../parts/Choice';
import { useHouse } from '../../store/house';
import { contentWords } from '../shelf/materialWords';
import { figures, names, TableHead, untitled } from '../../parts/TableHead';
import type { ListReview } from './useListReview';

interface ChangesTableProps {
  readonly review: ListReview;
  readonly onTick: (keys: readonly string[], on: 'on' | 'off') => void;
  readonly onPlace: (code: string, materialId: MaterialId | undefined) => void;
}

type Kind = ListChange['kind'];

const KINDS: readonly Kind[] = ['dearer', 'cheaper', 'other-terms', 'gone', 'new'];
const KIND_TITLES: Record<Kind, string> = {
  dearer: 'Dearer',
  cheaper: 'Cheaper',
  'other-terms': 'Other terms',
  gone: 'No longer listed',
  new: 'New in the list',
  same: 'Unchanged',
};
const SHOWN_OF_A_KIND = 60;
const NOWHERE = 'nowhere';
const CELL = 'px-3 py-2 align-baseline first:pl-6 last:pr-6';

/** What the list changes, kind by kind; only what is ticked is applied. */
export function ChangesTable({ review, onTick, onPlace }: ChangesTableProps) {
  const { changes } = review.reviewed;
  const same = changes.filter(({ kind }) => kind === 'same').length;
  if (changes.length === same) {
    return (
      <p className="px-6 py-6 font-serif text-lg text-ink-soft">
        The list asks for what you already pay: {number(same)} packs, nothing changed.
      </p>
    );
  }
  return (
    <table className="w-full text-sm">
      <TableHead
        columns={[
          untitled('Tick'),
          ...names('Article'),
          ...figures('Today', 'In the list', 'Change'),
        ]}
        cell={CELL}
        isSticky
      />
      {KINDS.map((kind) => (
        <KindRows
          key={kind}
          kind={kind}
          changes={changes.filter((change) => change.kind === kind)}
          review={review}
          onTick={onTick}
          onPlace={onPlace}
        />
      ))}
      <tbody>
        <tr>
          <td />
          <td colSpan={4} className={`${CELL} text-ink-soft`}>
            {number(same)} unchanged.
          </td>
        </tr>
      </tbody>
    </table>
  );
}

interface KindRowsProps extends ChangesTableProps {
  readonly kind: Kind;
  readonly changes: readonly ListChange[];
}

function KindRows({ kind, changes, review, onTick, onPlace }: KindRowsProps) {
  const [shown, setShown] = useState(SHOWN_OF_A_KIND);
  const house = useHouse();
  if (changes.length === 0) return null;
  const keys = changes.filter((change) => !isHeld(change, house.materials)).map(keyOfChange);
  const all = keys.every((key) => review.ticked.has(key));
  return (
    <tbody>
      <tr className="border-b border-line">
        <td className={CELL}>
          {kind !== 'new' && keys.length > 0 && (
            <input
              type="checkbox"
              className="accent-palm"
              aria-label={`Tick all: ${KIND_TITLES[kind]}`}
              checked={all}
              onChange={() => onTick(keys, all ? 'off' : 'on')}
            />
          )}
        </td>
        <th
          scope="rowgroup"
          colSpan={4}
          className={`${CELL} pt-4 text-left font-serif text-base font-medium text-ink-soft italic`}
        >
          {KIND_TITLES[kind]} ({number(changes.length)})
        </th>
      </tr>
      {changes.slice(0, shown).map((change) => (
        <ChangeRow
          key={keyOfChange(change)}
          change={change}
          house={house}
          ticked={review.ticked.has(keyOfChange(change))}
          place={
            change.kind === 'new' ? review.places.get(change.article.code)?.materialId : undefined
          }
          onTick={onTick}
          onPlace={onPlace}
        />
      ))}
      {changes.length > shown && (
        <tr>
          <td />
          <td colSpan={4} className={CELL}>
            <Button weight="quiet" onClick={() => setShown(shown + 10 * SHOWN_OF_A_KIND)}>
              Show {number(changes.length - shown)} more
            </Button>
          </td>
        </tr>
      )}
    </tbody>
  );
}

interface ChangeRowProps {
  readonly change: ListChange;
  readonly house: House;
  readonly ticked: boolean;
  readonly place: MaterialId | undefined;
  readonly onTick: ChangesTableProps['onTick'];
  readonly onPlace: ChangesTableProps['onPlace'];
}

function ChangeRow({ change, house, ticked, place, onTick, onPlace }: ChangeRowProps) {
  const { currency } = house.settings;
  const key = keyOfChange(change);
  if (change.kind === 'new') {
    const { article } = change;
    return (
      <tr className={`border-b border-line ${ticked ? 'bg-palm-wash' : ''}`}>
        <td className={CELL}>{ticked && <span aria-label="ticked">✓</span>}</td>
        <td className={CELL}>
          <strong className="font-medium">{article.name || article.code}</strong>
          <span className="block text-ink-soft">{article.code}</span>
        </td>
        <td className={CELL} colSpan={1}>
          <Choice
            label={`${article.code} is another pack of`}
            labelHidden
            value={place ?? NOWHERE}
            options={[
              { value: NOWHERE, label: 'leave it out' },
              ...house.materials
                .filter((each) => each.kind !== 'linen' && each.archivedOn === undefined)
                .map(({ id, name }) => ({ value: String(id), label: `pack of ${name}` })),
            ]}
            onChoose={(value) =>
              onPlace(article.code, value === NOWHERE ? undefined : asId<MaterialId>(value))
            }
          />
        </td>
        <td className={`${CELL} text-right`}>{money(article.priceMinor, currency)}</td>
        <td className={CELL} />
      </tr>
    );
  }
  const material = house.materials.find((each) => each.id === change.materialId);
  if (!material || material.kind === 'linen') return null;
  const words = (pack: Pack): string => contentWords(pack, material.unit, material.kind);
  const preferred = material.preferredPackId === change.packId;
  const kept = isHeld(change, house.materials);
  const resized = 'after' in change && words(change.after) !== words(change.before);
  return (
    <tr className={`border-b border-line ${ticked ? 'bg-palm-wash' : ''}`}>
      <td className={CELL}>
        <input
          type="checkbox"
          className="accent-palm"
          aria-label={`Tick ${material.name}, ${words(change.before)}`}
          disabled={kept}
          checked={ticked}
          onChange={() => onTick([key], ticked ? 'off' : 'on')}
        />
      </td>
      <td className={CELL}>
        <Link to={`/shelf/${material.id}/bought`} className="font-medium hover:underline">
          {material.name}
        </Link>
        <span className="block text-ink-soft">
          {change.before.code}, {words(change.before)}
          {resized && ` → ${words(change.after)}`}
          {preferred && ' · preferred'}
          {kept && ': choose another pack first'}
        </span>
      </td>
      <td className={`${CELL} text-right`}>{money(change.before.priceMinor, currency)}</td>
      <td className={`${CELL} text-right font-semibold`}>
        {'after' in change ? money(change.after.priceMinor, currency) : '–'}
      </td>
      <td className={`${CELL} text-right whitespace-nowrap`}>
        {'change' in change && change.change !== 0 && (
          <span className={change.change > 0 ? 'text-clay' : 'text-palm'}>
            {change.change > 0 ? '▲ +' : '▼ −'}
            {percent(Math.abs(change.change))}
          </span>
        )}
      </td>
    </tr>
  );
}
