import { useNavigate } from 'react-router';
import type { Proposal } from '@bienestar/core/restock/proposeOrders';
import { counted, dayText, money } from '../../../format/figures';
import { Button } from '../../../parts/Button';
import { useHouse, useSnapshot } from '../../../store/house';
import { useRestock } from '../../../store/restock';
import { useAddAndRemove } from '../../../store/useEditPart';
import { reasonWords } from '../restockWords';
import { draftOf } from './newOrder';

/** Orders to write now, a supplier at a time, each line with its reasons. */
export function ProposalList({ proposals }: { readonly proposals: readonly Proposal[] }) {
  return (
    <section aria-labelledby="proposals-title">
      <h2 id="proposals-title" className="border-b border-line-strong pb-1 text-lg">
        Orders to write
      </h2>
      {proposals.length === 0 ? (
        <p className="py-3 text-sm text-ink-soft">Nothing is at its order point.</p>
      ) : (
        proposals.map((proposal) => <ProposalView key={proposal.supplier.id} proposal={proposal} />)
      )}
    </section>
  );
}

function ProposalView({ proposal }: { readonly proposal: Proposal }) {
  const { currency } = useHouse().settings;
  const { today } = useRestock();
  const { orders } = useSnapshot();
  const navigate = useNavigate();
  const { add, busy } = useAddAndRemove('orders');
  const { supplier, lines, totalMinor, missingMinor, arrivesOn } = proposal;
  const write = async (): Promise<void> => {
    const order = draftOf(proposal, today, orders);
    if (await add(order)) await navigate(`/restock/orders/${order.id}`);
  };
  return (
    <article aria-label={`Order to ${supplier.name}`} className="border-b border-line py-3 text-sm">
      <div className="flex items-baseline gap-3">
        <h3 className="min-w-0 flex-1 text-base">{supplier.name}</h3>
        <span className="font-serif text-lg">{money(totalMinor, currency)}</span>
      </div>
      <ul className="mt-1">
        {lines.map(({ material, packs, why }) => (
          <li key={material.id} className="py-0.5">
            {counted(packs, 'pack')} of {material.name}
            <span className="block text-ink-soft">
              {why.map((reason) => reasonWords(reason, material.unit)).join('; ')}
            </span>
          </li>
        ))}
      </ul>
      {missingMinor > 0 && (
        <p className="mt-1 text-clay">
          ▲ {money(missingMinor, currency)} short of the least order; nothing else is needed soon.
        </p>
      )}
      <div className="mt-2 flex items-center gap-3">
        <Button
          weight="main"
          disabled={busy}
          aria-label={`Write the order to ${supplier.name}`}
          onClick={() => void write()}
        >
          Write the order
        </Button>
        <span className="text-ink-soft">there on {dayText(arrivesOn)}</span>
      </div>
    </article>
  );
}
