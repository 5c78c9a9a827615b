import type { ListFault } from '@bienestar/core/priceLists/readList';
import { names, TableHead } from '../../parts/TableHead';
import { number } from '../../format/figures';

const MOST_SHOWN = 100;

/** What cannot be taken, by row and column; nothing of the list is applied while there is any. */
export function ListFaults({ faults }: { readonly faults: readonly ListFault[] }) {
  return (
    <div className="px-6 py-4">
      <p role="alert" className="font-semibold text-clay">
        ▲ {number(faults.length)} {faults.length === 1 ? 'cell does' : 'cells do'} not fit, so
        nothing can be applied. Mend the list, or say above how it is to be read.
      </p>
      <table className="mt-3 w-full text-sm">
        <TableHead columns={names('Row', 'Column', 'What is wrong')} cell="py-1.5 pr-4" />
        <tbody>
          {faults.slice(0, MOST_SHOWN).map((fault, at) => (
            <tr key={at} className="border-b border-line">
              <td className="py-1.5 pr-4">{number(fault.row)}</td>
              <td className="py-1.5 pr-4">{fault.column ?? 'all'}</td>
              <td className="py-1.5">{fault.message}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {faults.length > MOST_SHOWN && (
        <p className="mt-2 text-sm text-ink-soft">and {number(faults.length - MOST_SHOWN)} more.</p>
      )}
    </div>
  );
}
