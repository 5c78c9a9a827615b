import { useState } from 'react';
import { useParams } from 'react-router';
import { within } from '@bienestar/contract/limits';
import { trayOf, type TrayVisit } from '@bienestar/core/room/tray';
import { number } from '../../format/figures';
import { clientWords } from '../../format/protocolWords';
import { NothingHere } from '../../parts/NothingHere';
import { NumberField } from '../../parts/NumberField';
import { Problems } from '../../parts/Problems';
import { trayWords } from './trayWords';
import { usePdf } from './paper';
import type { Paper } from './onPaper';
import { RoomHeader } from './RoomHeader';
import { figures, names, TableHead } from '../../parts/TableHead';
import type { RoomWork } from './roomWork';
import { useRoomWork } from './useRoomWork';

const MOST_CLIENTS = 20;

/** The tray: what must stand ready, in the order of need, for one client or for all of the day. */
export function TrayPlace() {
  const { protocolId = '' } = useParams();
  const room = useRoomWork(protocolId);
  const [paper, setPaper] = useState<Paper>('A4');
  const [clients, setClients] = useState(1);
  const pdf = usePdf();
  if (!room.known) return <NothingHere what="There is no such protocol in the house." />;
  const tray = room.work?.ok ? trayFor(room.work.value, clients) : undefined;
  const lines =
    tray?.ok && room.work?.ok ? trayWords(tray.value, room.work.value.house) : undefined;
  const title = `Tray: ${room.known.name}`;
  const subtitle = `${clients === 1 ? clientWords(room.client) : `for ${clients} clients`}${room.work?.ok ? ` · ${room.work.value.edition}` : ''}`;
  return (
    <div className="flex h-full flex-col print:block">
      <RoomHeader
        protocolId={protocolId}
        room={room}
        here="tray"
        paper={paper}
        onPaper={setPaper}
        pdf={{
          busy: pdf.busy,
          make: () =>
            lines &&
            pdf.make({ kind: 'tray', paper, title, subtitle, lines }, title.replace(':', '')),
        }}
      />
      <div
        tabIndex={0}
        role="region"
        aria-label="The tray"
        className="min-h-0 flex-1 overflow-y-auto print:overflow-visible"
      >
        {room.work && !room.work.ok && <Problems problems={room.work.problems} />}
        {tray && !tray.ok && <Problems problems={tray.problems} />}
        {lines && tray?.ok && (
          <article
            data-paper={paper}
            className="card-sheet mx-auto max-w-3xl px-8 py-6 print:max-w-none print:p-0"
          >
            <style>{`@page { size: ${paper}; margin: ${paper === 'A4' ? '14mm' : '9mm'}; }`}</style>
            <div className="flex items-end justify-between gap-6">
              <div>
                <h1 className="text-3xl">{title}</h1>
                <p className="text-sm text-ink-soft">{subtitle}</p>
              </div>
              <div className="w-36 print:hidden">
                <NumberField
                  label="For how many clients"
                  value={clients}
                  check={within({ least: 1, most: MOST_CLIENTS, whole: true })}
                  onCommit={setClients}
                />
              </div>
            </div>
            <table className="mt-4 w-full">
              <TableHead
                columns={[...names('Ready by'), ...figures('Amount'), ...names('What')]}
                cell="py-1 pr-3 whitespace-nowrap"
              />
              <tbody>
                {lines.map((line) => (
                  <tr key={line.key} className="break-inside-avoid border-b border-line align-top">
                    <td className="py-1.5 pr-3 text-sm text-ink-soft sm:whitespace-nowrap">
                      {line.at}
                    </td>
                    <td className="py-1.5 pr-3 text-right font-semibold sm:whitespace-nowrap">
                      {line.amount}
                    </td>
                    <td className="py-1.5 max-sm:w-1/2">
                      {line.name}
                      {line.note !== '' && (
                        <span className="block text-sm text-ink-soft">{line.note}</span>
                      )}
                    </td>
                  </tr>
                ))}
              </tbody>
            </table>
            {tray.value.waterMl > 0 && (
              <p className="mt-3 text-sm text-ink-soft">
                {number(tray.value.waterMl, 0)} ml of water to take things off with.
              </p>
            )}
          </article>
        )}
      </div>
    </div>
  );
}

function trayFor(work: RoomWork, clients: number): ReturnType<typeof trayOf> {
  const { protocol, schedule, draws, shelf, settings } = work;
  const visits = Array.from({ length: clients }, (_, at): TrayVisit => ({
    name: `client ${at + 1}`,
    protocol,
    schedule,
    draws,
  }));
  return trayOf(visits, shelf, settings);
}
