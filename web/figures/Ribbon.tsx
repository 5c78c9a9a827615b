import { ZoomIn, ZoomOut } from 'lucide-react';
import { memo, useMemo, useRef, useState } from 'react';
import type { Hands, Minutes } from '@bienestar/core/house/house';
import type { Schedule } from '@bienestar/core/time/schedule';
import type { DeviceStrand } from '@bienestar/core/time/deviceStrands';
import { strandsOf, type Segment } from '@bienestar/core/time/strands';
import { tailOf } from '@bienestar/core/time/tail';
import { number } from '../format/figures';
import { IconButton } from '../parts/Button';
import { Axis, Caps, RoomStrand, TailCurve, type At } from './RibbonMarks';
import { Pieces } from './RibbonPieces';
import { MARK_LOOK } from './markLook';

interface RibbonProps {
  readonly schedule: Schedule;
  readonly devices?: readonly DeviceStrand[];
  readonly selectedStepId?: string;
  readonly onSelect: (stepId: string) => void;
  /** an edge was dragged: the step takes these minutes */
  readonly onMinutes?: (stepId: string, minutes: Minutes) => void;
  /** a step was dropped into time in which hands are free beside another */
  readonly onDropInto?: (stepId: string, hostId: string) => void;
}

const ZOOMS = [1, 1.5, 2.25, 3.5] as const;

/**
 * A treatment along the minutes: strands for the client, what is done meanwhile, each person's hands
 * and the room; caps as edges, and the likely spread of the end as a tail. Edges can be dragged, and a
 * step dropped into time in which hands are free.
 */
export const Ribbon = memo(function Ribbon({
  schedule,
  devices = [],
  selectedStepId,
  onSelect,
  onMinutes,
  onDropInto,
}: RibbonProps) {
  const [zoom, setZoom] = useState(0);
  const strip = useRef<HTMLDivElement>(null);
  const strands = useMemo(() => strandsOf(schedule), [schedule]);
  const tail = useMemo(() => tailOf(schedule.roomTime), [schedule]);
  const longest = Math.ceil((Math.max(schedule.slotMinutes, tail.to, strands.end) + 1) / 5) * 5;
  const at: At = (minutes) => `${(minutes / longest) * 100}%`;
  const minutesPerPixel = (): number => longest / Math.max(1, strip.current?.clientWidth ?? 1);
  const shared = { at, selectedStepId, onSelect, onMinutes, onDropInto, minutesPerPixel };
  return (
    <section
      aria-label="Ribbon"
      className="relative border-t border-line bg-sheet px-6 pt-2 pb-3 select-none"
    >
      <div className="absolute top-1 left-5 z-20 flex">
        <IconButton
          label="Nearer"
          className="size-6!"
          disabled={zoom === ZOOMS.length - 1}
          onClick={() => setZoom(zoom + 1)}
        >
          <ZoomIn aria-hidden size={14} />
        </IconButton>
        <IconButton
          label="Further"
          className="size-6!"
          disabled={zoom === 0}
          onClick={() => setZoom(zoom - 1)}
        >
          <ZoomOut aria-hidden size={14} />
        </IconButton>
      </div>
      <div className="grid grid-cols-[5.5rem_1fr] text-xs">
        <div className="grid content-start gap-y-1.5 pt-[1.375rem] text-ink-soft">
          <LaneName tall>Client</LaneName>
          {strands.meanwhile.length > 0 && <LaneName>meanwhile</LaneName>}
          <LaneName>Therapist</LaneName>
          {strands.hands.assistant.length > 0 && <LaneName>Assistant</LaneName>}
          {devices.map(({ device }) => (
            <LaneName key={device.id}>{device.name}</LaneName>
          ))}
          <LaneName>Room</LaneName>
        </div>
        <div className="overflow-x-auto overflow-y-hidden" tabIndex={zoom === 0 ? undefined : 0}>
          <div
            ref={strip}
            className="relative grid gap-y-1.5"
            style={{ width: `${(ZOOMS[zoom] ?? 1) * 100}%` }}
          >
            <Axis longest={longest} at={at} slotMinutes={schedule.slotMinutes} />
            <Lane tall>
              <Pieces {...shared} pieces={strands.client} look={clientLook} named />
              <Caps caps={strands.caps} at={at} />
            </Lane>
            {strands.meanwhile.length > 0 && (
              <Lane>
                <Pieces {...shared} pieces={strands.meanwhile} look={meanwhileLook} named />
              </Lane>
            )}
            <Lane>
              <Pieces {...shared} pieces={strands.hands.therapist} look={handsLook} drops />
            </Lane>
            {strands.hands.assistant.length > 0 && (
              <Lane>
                <Pieces {...shared} pieces={strands.hands.assistant} look={handsLook} />
              </Lane>
            )}
            {devices.map(({ device, pieces }) => (
              <Lane key={device.id}>
                <Pieces {...shared} pieces={pieces} look={deviceLook} />
              </Lane>
            ))}
            <Lane>
              <RoomStrand strands={strands} at={at} />
              <TailCurve tail={tail} at={at} />
              <span
                aria-hidden
                title={`Slot ${number(schedule.slotMinutes)} min`}
                className="absolute -top-24 bottom-0 w-px bg-clay"
                style={{ left: at(schedule.slotMinutes) }}
              />
            </Lane>
          </div>
        </div>
      </div>
    </section>
  );
});

function LaneName({
  tall = false,
  children,
}: {
  readonly tall?: boolean;
  readonly children: string;
}) {
  return (
    <span
      className={`block truncate pr-2 ${tall ? 'h-6 leading-6' : 'h-[1.125rem] leading-[1.125rem]'}`}
    >
      {children}
    </span>
  );
}

function Lane({
  tall = false,
  children,
}: {
  readonly tall?: boolean;
  readonly children: React.ReactNode;
}) {
  return <div className={`relative ${tall ? 'h-6' : 'h-[1.125rem]'}`}>{children}</div>;
}

function clientLook(): string {
  return 'border-line-strong bg-sunk text-ink';
}

function meanwhileLook(): string {
  return 'border-palm bg-palm-wash text-ink';
}

function deviceLook({ mark }: Segment): string {
  return mark === 'hands-on'
    ? 'border-ink-soft bg-ink-soft'
    : 'border-ink-soft bg-transparent [background-image:repeating-linear-gradient(90deg,var(--color-ink-soft)_0_1px,transparent_1px_5px)]';
}

function handsLook({ mark }: Segment): string {
  return MARK_LOOK[mark satisfies Hands];
}
