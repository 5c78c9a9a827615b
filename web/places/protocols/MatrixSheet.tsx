import type { KindFigures } from '@bienestar/core/figures/matrix';
import type { Protocol } from '@bienestar/core/house/house';
import { NotWorkedOut } from '../../parts/NotWorkedOut';
import { money, number } from '../../format/figures';
import { clientWords, spoken } from '../../format/protocolWords';
import { Problems } from '../../parts/Problems';
import { Sheet } from '../../parts/Sheet';
import { useMatrix } from './useMatrix';
import { figures, names, TableHead } from '../../parts/TableHead';
import type { ShownService } from './useShownService';

interface MatrixSheetProps {
  readonly protocol: Protocol;
  readonly shown: ShownService;
  readonly onClose: () => void;
}

/** The range of a protocol over everybody who may come, and which choice makes the difference. */
export function MatrixSheet({ protocol, shown, onClose }: MatrixSheetProps) {
  const { share, answer: matrix, hasFailed } = useMatrix(protocol, shown);
  const { currency } = shown.house.settings;
  return (
    <Sheet
      open
      wide
      onClose={onClose}
      title="Over all clients"
      description="Every kind of client that the protocol tells apart, with what each comes to."
    >
      {hasFailed && <NotWorkedOut what="The range" />}
      {!matrix && !hasFailed && (
        <p role="status" className="flex items-center gap-3">
          <progress max={1} value={share} className="w-64" /> counting …
        </p>
      )}
      {matrix && !matrix.ok && <Problems problems={matrix.problems} />}
      {matrix?.ok && (
        <div className="flex flex-col gap-6">
          <table className="w-full text-sm">
            <caption className="pb-2 text-left text-ink-soft">
              {number(matrix.value.kinds, 0)} kinds of clients
            </caption>
            <TableHead
              columns={[...names('Extreme', 'Client'), ...figures('Full cost', 'Room', 'Slot')]}
            />
            <tbody>
              {(['cheapest', 'dearest', 'shortest', 'longest'] as const).map((which) => (
                <KindRow
                  key={which}
                  which={which}
                  kind={matrix.value[which]}
                  shown={shown}
                  currency={currency}
                />
              ))}
            </tbody>
          </table>
          <table className="w-full text-sm">
            <caption className="pb-2 text-left font-serif text-lg">
              What makes the difference
            </caption>
            <thead>
              <tr className="border-b border-line-strong text-left text-xs">
                <th className="py-1">Choice</th>
                <th className="py-1 text-right">Cost, up to</th>
                <th className="py-1 text-right">Minutes, up to</th>
                <th className="py-1 pl-6">From … to</th>
              </tr>
            </thead>
            <tbody>
              {matrix.value.differences.map(({ name, cost, minutes, cheapest, dearest }) => (
                <tr key={name} className="border-b border-line">
                  <th scope="row" className="py-1.5 text-left font-normal">
                    {name}
                  </th>
                  <td className="py-1.5 text-right">{money(cost, currency)}</td>
                  <td className="py-1.5 text-right">{number(minutes, 1)} min</td>
                  <td className="py-1.5 pl-6 text-ink-soft">
                    {spoken(cheapest)} … {spoken(dearest)}
                  </td>
                </tr>
              ))}
              {matrix.value.differences.length === 0 && (
                <tr>
                  <td colSpan={4} className="py-2 text-ink-soft">
                    Everybody is treated alike.
                  </td>
                </tr>
              )}
            </tbody>
          </table>
        </div>
      )}
    </Sheet>
  );
}

interface KindRowProps {
  readonly which: string;
  readonly kind: KindFigures;
  readonly shown: ShownService;
  readonly currency: string;
}

function KindRow({ which, kind, shown, currency }: KindRowProps) {
  const { client } = kind;
  const decided = [...client.decided].flatMap(([choiceId, optionId]) => {
    const choice = shown.written?.choices.find((each) => each.id === choiceId);
    return choice?.options.find((option) => option.id === optionId)?.name ?? [];
  });
  const optional = [...client.optional].flatMap(([stepId, done]) => {
    const step = shown.written?.steps.find((each) => each.id === stepId);
    return step ? `${step.name} ${done === 'done' ? 'done' : 'left out'}` : [];
  });
  return (
    <tr className="border-b border-line align-top">
      <th scope="row" className="py-1.5 pr-4 text-left font-semibold">
        {which}
      </th>
      <td className="py-1.5 pr-4 text-ink-soft">
        {[clientWords(client), ...decided, ...optional].join(', ')}
      </td>
      <td className="py-1.5 pl-4 text-right">{money(kind.fullCost, currency)}</td>
      <td className="py-1.5 pl-4 text-right whitespace-nowrap">
        {number(kind.roomMinutes, 0)} min
      </td>
      <td className="py-1.5 pl-4 text-right whitespace-nowrap">
        {number(kind.slotMinutes, 0)} min
      </td>
    </tr>
  );
}
