import { useMemo } from 'react';
import { explainCost } from '@bienestar/core/explain/explainCost';
import type { Client } from '@bienestar/core/house/client';
import { createTrial } from '@bienestar/core/figures/trial';
import type { Matrix } from '@bienestar/core/figures/matrix';
import type { EditionInUse } from '@bienestar/core/figures/serviceWork';
import type { Service } from '@bienestar/core/house/house';
import { marginAt } from '@bienestar/core/price/marginAt';
import type { PriceFigures } from '@bienestar/core/price/priceOf';
import { NotWorkedOut } from '../../parts/NotWorkedOut';
import { money, number, percent } from '../../format/figures';
import { clientWords, spoken } from '../../format/protocolWords';
import { Problems } from '../../parts/Problems';
import { WorkedFigure } from '../../parts/working/WorkedFigure';
import { useFigures, useHouse } from '../../store/house';
import { useMatrix } from '../protocols/useMatrix';
import { figures, names, TableHead } from '../../parts/TableHead';
import { explainedOf } from './workings';

interface KindsOfClientsProps {
  readonly service: Service;
  readonly inUse: EditionInUse;
  readonly price: PriceFigures;
}

/** What the visit costs by the kind of client, from the cheapest to the dearest. */
export function KindsOfClients({ service, inUse, price }: KindsOfClientsProps) {
  const house = useHouse();
  /* The service is worked by its edition: with the recipes that were kept with it. */
  const asWorked = useMemo(
    () => ({ house: { ...house, mixes: inUse.mixes }, service }),
    [house, inUse, service],
  );
  const { share, answer: matrix, hasFailed } = useMatrix(inUse.protocol, asWorked);
  return (
    <section aria-labelledby="kinds-title" className="flex flex-col gap-2">
      <h2 id="kinds-title" className="text-xl">
        By kind of client
      </h2>
      {hasFailed && <NotWorkedOut what="The range" />}
      {!matrix && !hasFailed && (
        <p role="status" className="flex items-center gap-3 text-sm">
          <progress max={1} value={share} className="w-48" /> counting …
        </p>
      )}
      {matrix && !matrix.ok && <Problems problems={matrix.problems} />}
      {matrix?.ok === true && (
        <Kinds matrix={matrix.value} service={service} inUse={inUse} price={price} />
      )}
    </section>
  );
}

interface KindsProps extends KindsOfClientsProps {
  readonly matrix: Matrix;
}

const tryOut = createTrial();

function Kinds({ matrix, service, inUse, price }: KindsProps) {
  const house = useHouse();
  const { materials } = useFigures();
  const { currency } = house.settings;
  /* Worked out for that client, since the worker answers sums only. */
  const workingFor = (client: Client, text: string) => {
    const { figures } = tryOut(house, materials, service, inUse, client);
    const of = explainedOf(house, { ...service, visitKind: client.visitKind }, figures);
    return of ? (
      <WorkedFigure label="Full cost" text={text} working={() => explainCost('full', of)} />
    ) : (
      text
    );
  };
  if (matrix.kinds <= 1)
    return <p className="text-sm text-ink-soft">Everybody is treated alike.</p>;
  return (
    <>
      <table className="w-full text-sm">
        <TableHead columns={[...names('Client'), ...figures('Full cost', 'Margin', 'Slot')]} />
        <tbody>
          {(['cheapest', 'dearest'] as const).map((which) => {
            const { client, fullCost, slotMinutes } = matrix[which];
            return (
              <tr key={which} className="border-b border-line text-right align-top">
                <th scope="row" className="py-1.5 pr-3 text-left font-normal">
                  <span className="font-semibold">{which}: </span>
                  <span className="text-ink-soft">{clientWords(client)}</span>
                </th>
                <td className="py-1.5">{workingFor(client, money(fullCost, currency))}</td>
                <td className="py-1.5 pl-4">{percent(marginAt(price, fullCost))}</td>
                <td className="py-1.5 pl-4 whitespace-nowrap">{number(slotMinutes, 0)} min</td>
              </tr>
            );
          })}
        </tbody>
      </table>
      <p className="text-xs text-ink-soft">
        {number(matrix.kinds, 0)} kinds of clients.{' '}
        {matrix.differences
          .slice(0, 3)
          .map(({ name, cost }) => `${spoken(name)} makes up to ${money(cost, currency)}`)
          .join(', ')}
      </p>
    </>
  );
}
