import { useMemo } from 'react';
import type { Edition } from '@bienestar/core/house/house';
import type { ServiceFigures } from '@bienestar/core/figures/houseFigures';
import type { EditionInUse } from '@bienestar/core/figures/serviceWork';
import { createTrial } from '@bienestar/core/figures/trial';
import { indexHouse } from '@bienestar/core/house/houseIndex';
import { compareSteps, type StepChange } from '@bienestar/core/protocol/compareWritings';
import { expandBlocks } from '@bienestar/core/protocol/expandBlocks';
import { amount, money, number } from '../../../format/figures';
import { clientWords, spoken } from '../../../format/protocolWords';
import { Button } from '../../../parts/Button';
import { useFigures } from '../../../store/house';
import { figures, names, TableHead } from '../../../parts/TableHead';
import type { ShownService } from '../useShownService';

interface EditionComparisonProps {
  readonly edition: Edition;
  /** what it is compared with: the draft, or another edition */
  readonly other: EditionInUse & { readonly name: string };
  readonly shown: ShownService;
  readonly onGoBack: () => void;
}

const KIND_WORDS: Record<StepChange['kind'], string> = {
  new: 'new',
  gone: 'removed',
  changed: 'changed',
  moved: 'moved',
};

/** An edition beside the draft, figure by figure and step by step, for the client that is shown. */
export function EditionComparison({ edition, other, shown, onGoBack }: EditionComparisonProps) {
  const { materials } = useFigures();
  const { house, service, client } = shown;
  const [before, now] = useMemo(() => {
    const figuresOf = (inUse: EditionInUse): ServiceFigures =>
      createTrial()(house, materials, service, inUse, client).figures;
    return [figuresOf(edition), figuresOf(other)];
  }, [client, edition, house, materials, other, service]);
  const { blocks } = indexHouse(house);
  const was = expandBlocks(edition.protocol, blocks, {});
  const is = expandBlocks(other.protocol, blocks, {});
  const changes = was.ok && is.ok ? compareSteps(was.value, is.value) : [];
  return (
    <section
      aria-label={`Edition ${edition.number} and ${other.name}`}
      className="flex flex-col gap-4"
    >
      <div className="flex items-baseline justify-between gap-4">
        <h3 className="text-lg">
          Edition {edition.number} and {other.name}
        </h3>
        <Button weight="quiet" onClick={onGoBack}>
          Go back to edition {edition.number}
        </Button>
      </div>
      <table className="w-full text-sm">
        <caption className="pb-1 text-left text-ink-soft">
          For {clientWords(client)}, at today’s prices.
        </caption>
        <TableHead
          columns={[...names('Figure'), ...figures(`Edition ${edition.number}`, other.name)]}
        />
        <tbody>
          {linesOf(before, now, shown).map(([label, a, b]) => (
            <tr key={label} className="border-b border-line">
              <th scope="row" className="py-1 text-left font-normal">
                {label}
              </th>
              <td className="py-1 text-right text-ink-soft">{a}</td>
              <td className={`py-1 text-right ${a === b ? 'text-ink-soft' : 'font-semibold'}`}>
                {b}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <ul aria-label="Steps that differ" className="text-sm">
        {changes.map((change, at) => (
          <li key={at} className="border-b border-line py-1">
            <strong>{change.name}</strong> {KIND_WORDS[change.kind]}
            {change.keys.length > 0 && (
              <span className="text-ink-soft"> ({change.keys.map(keyWords).join(', ')})</span>
            )}
          </li>
        ))}
        {changes.length === 0 && <li className="text-ink-soft">No step differs.</li>}
      </ul>
    </section>
  );
}

function linesOf(
  a: ServiceFigures,
  b: ServiceFigures,
  { house }: ShownService,
): readonly (readonly [label: string, before: string, now: string])[] {
  const { currency } = house.settings;
  const both = (
    label: string,
    of: (figures: ServiceFigures) => string | undefined,
  ): readonly [string, string, string] => [label, of(a) ?? '–', of(b) ?? '–'];
  const consumed = new Set([
    ...(a.consumption.ok ? a.consumption.value.keys() : []),
    ...(b.consumption.ok ? b.consumption.value.keys() : []),
  ]);
  return [
    both('Room, expected', ({ schedule }) =>
      schedule.ok ? `${number(schedule.value.room.mean, 1)} min` : undefined,
    ),
    both('Slot', ({ schedule }) =>
      schedule.ok ? `${number(schedule.value.slotMinutes, 0)} min` : undefined,
    ),
    both('Direct cost', ({ cost }) =>
      cost.ok ? money(cost.value.direct.usual, currency) : undefined,
    ),
    both('Full cost', ({ cost }) => (cost.ok ? money(cost.value.full.usual, currency) : undefined)),
    both('Price', ({ price }) => (price.ok ? money(price.value.gross, currency) : undefined)),
    ...[...consumed]
      .map((id) => {
        const material = house.materials.find((each) => each.id === id);
        return both(material?.name ?? 'something no longer on the shelf', ({ consumption }) => {
          const drawn = consumption.ok ? consumption.value.get(id) : undefined;
          return drawn && material ? amount(drawn.usual, material.unit) : undefined;
        });
      })
      .filter(([, before, now]) => before !== now),
  ];
}

function keyWords(key: string): string {
  const words: Record<string, string> = {
    meanwhileOf: 'meanwhile',
    layerGroupId: 'layers',
    capMinutes: 'contact',
    capSince: 'from when contact counts',
    holdsMinutes: 'how long it holds',
    technique: 'how the hands work',
    asks: 'what is asked',
    moments: 'what happens at a minute',
    more: 'where more',
    last: 'where last',
    doses: 'products',
    option: 'for whom',
  };
  return words[key] ?? spoken(key);
}
