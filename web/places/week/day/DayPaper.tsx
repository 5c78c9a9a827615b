import { sheetsOf } from '@bienestar/core/week/day/daySheet';
import { workName } from '@bienestar/core/week/needs';
import { dayText } from '../../../format/figures';
import { useHouse } from '../../../store/house';
import { clock } from '../weekWords';
import type { DayInHand } from './useDay';

/** The day on paper: a sheet for each room and each person. */
export function DayPaper({ day }: { readonly day: DayInHand }) {
  const house = useHouse();
  const nameOf = (
    id: string | undefined,
    of: readonly { readonly id: string; readonly name: string }[],
  ) => of.find((each) => each.id === id)?.name ?? '–';
  return (
    <div className="hidden print:block" aria-hidden>
      {sheetsOf(day.visits, house).map((sheet) => (
        <article key={`${sheet.of}/${sheet.name}`} className="break-after-page p-4">
          <h1 className="pb-1 text-2xl">{sheet.name}</h1>
          <p className="pb-3">
            {house.settings.name}, {dayText(day.day)}
          </p>
          <table className="w-full text-sm">
            <thead>
              <tr className="border-b border-line-strong text-left text-xs text-ink-soft">
                <th className="pb-1 font-semibold">Room from – to</th>
                <th className="pb-1 font-semibold">What</th>
                <th className="pb-1 font-semibold">For whom</th>
                <th className="pb-1 font-semibold">{sheet.of === 'room' ? 'By' : 'Where'}</th>
                <th className="pb-1 text-right font-semibold">
                  {sheet.of === 'room' ? 'To switch on' : 'Hands needed'}
                </th>
              </tr>
            </thead>
            <tbody>
              {sheet.lines.map(({ visit, from, to, stretches, on }) => (
                <tr key={visit.key} className="border-b border-line align-baseline">
                  <td className="py-1.5 pr-4 whitespace-nowrap">
                    {clock(from)}–{clock(to)}
                  </td>
                  <td className="pr-4 font-serif text-base">{workName(visit.need)}</td>
                  <td className="pr-4">{visit.name}</td>
                  <td className="pr-4">
                    {sheet.of === 'room'
                      ? [visit.therapistId, visit.assistantId]
                          .filter((id) => id !== undefined)
                          .map((id) => nameOf(id, house.people))
                          .join(', ')
                      : nameOf(visit.roomId, house.rooms)}
                  </td>
                  <td className="text-right">
                    {on.map(({ device, at }) => (
                      <span key={device} className="block">
                        {device} on at {clock(at)}
                      </span>
                    ))}
                    {stretches.map((each) => `${clock(each.from)}–${clock(each.to)}`).join(', ')}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </article>
      ))}
    </div>
  );
}
