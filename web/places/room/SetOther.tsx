import { useState } from 'react';
import { setBy, type SettingInAct } from '@bienestar/core/run/settingsInAct';
import { number } from '../../format/figures';
import { spoken } from '../../format/protocolWords';
import { zonesSaid } from '@bienestar/core/zone/zonesSaid';
import { useHouse } from '../../store/house';
import { KnuckleButton } from './KnuckleButton';

interface SetOtherProps {
  readonly settings: readonly SettingInAct[];
  readonly onSet: (setting: string, value: number) => void;
}

/** What the device is set to beside its zones, and what it was really set to; never past the limits of the house. */
export function SetOther({ settings, onSet }: SetOtherProps) {
  const { settings: house } = useHouse();
  const [isOpen, setIsOpen] = useState(false);
  if (settings.length === 0) return null;
  const told = settings.filter(({ isOther }) => isOther).length;
  return (
    <div className={`flex flex-col gap-2 ${isOpen ? 'w-full' : ''}`}>
      <KnuckleButton
        aria-expanded={isOpen}
        className="self-start"
        onClick={() => setIsOpen(!isOpen)}
      >
        Set otherwise{told === 0 ? '' : ` (${told})`}
      </KnuckleButton>
      {isOpen && (
        <ul aria-label="Set" className="grid gap-x-6 gap-y-3 md:grid-cols-2">
          {settings.map((each) => {
            const { key, zones, kind, unit, low, high, value, least, most, isStronger } = each;
            const name = `${spoken(kind)} on ${zonesSaid(zones, house.ownZones).join(', ')}`;
            return (
              <li key={key}>
                <p className="text-xl">
                  {name}{' '}
                  <span className="text-ink-soft">
                    written {low === high ? number(low) : `${number(low)}–${number(high)}`} {unit}
                  </span>
                </p>
                <div className="mt-1 flex flex-wrap items-center gap-3">
                  <KnuckleButton
                    look="answer"
                    aria-label={`Less ${name}`}
                    disabled={value <= least}
                    onClick={() => onSet(key, setBy(each, -1))}
                  >
                    −
                  </KnuckleButton>
                  <output
                    aria-label={name}
                    className="min-w-28 text-center text-2xl whitespace-nowrap"
                  >
                    {number(value)} {unit}
                  </output>
                  <KnuckleButton
                    look="answer"
                    aria-label={`More ${name}`}
                    disabled={value >= most}
                    onClick={() => onSet(key, setBy(each, 1))}
                  >
                    +
                  </KnuckleButton>
                  {isStronger && <span className="text-lg text-clay">▲ stronger than written</span>}
                </div>
              </li>
            );
          })}
        </ul>
      )}
    </div>
  );
}
