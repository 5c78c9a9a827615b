import { useState } from 'react';
import type { ServiceId } from '@bienestar/core/house/ids';
import type { Pairing } from '@bienestar/core/week/play/stagger';
import { money, number } from '../../format/figures';
import { figures, names, TableHead } from '../../parts/TableHead';
import { useHouse } from '../../store/house';

const COLUMNS = [
  ...names('First', 'Second'),
  ...figures('apart', 'together', 'in one room', 'visits an hour', 'an hour brings'),
];
const SHOWN = 12;

interface PairingsTableProps {
  readonly pairings: readonly Pairing[];
  readonly onChoose: (pair: readonly [ServiceId, ServiceId]) => void;
}

/** How each service goes with each, what brings most first. */
export function PairingsTable({ pairings, onChoose }: PairingsTableProps) {
  const { currency } = useHouse().settings;
  const [all, setAll] = useState(false);
  const shown = all ? pairings : pairings.slice(0, SHOWN);
  return (
    <section className="max-w-5xl pt-5">
      <h2 className="pb-1 text-lg">Which go together</h2>
      <table className="w-full text-sm">
        <TableHead columns={COLUMNS} cell="py-1 pl-3 first:pl-0" />
        <tbody>
          {shown.map((pairing) => {
            const { first, second, offset, together, inOneRoom, visitsPerHour, perHour } = pairing;
            return (
              <tr
                key={`${first.service.id}/${second.service.id}`}
                className="border-b border-line align-baseline"
              >
                <td className="py-1">
                  <button
                    type="button"
                    className="text-left hover:underline"
                    onClick={() => onChoose([first.service.id, second.service.id])}
                  >
                    {first.service.name}
                  </button>
                </td>
                <td className="pl-3">{second.service.name}</td>
                <td className="pl-3 text-right whitespace-nowrap">
                  {number(offset.minutes)} min{offset.isNested ? ', inside' : ''}
                </td>
                <td className="pl-3 text-right">{number(together, 0)} min</td>
                <td className="pl-3 text-right">{number(inOneRoom, 0)} min</td>
                <td className="pl-3 text-right">{number(visitsPerHour, 2)}</td>
                <td className="pl-3 text-right">{money(perHour, currency)}</td>
              </tr>
            );
          })}
        </tbody>
      </table>
      {pairings.length > SHOWN && (
        <button type="button" className="py-2 text-sm underline" onClick={() => setAll(!all)}>
          {all ? 'Only the first' : `All ${number(pairings.length)} pairs`}
        </button>
      )}
    </section>
  );
}
