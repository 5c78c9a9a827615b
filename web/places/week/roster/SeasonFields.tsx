import { useState } from 'react';
import type { HoursSeason } from '@bienestar/core/house/house';
import { withoutSeason, withSeason } from '@bienestar/core/week/openTimes';
import { overlap } from '@bienestar/core/week/seasons';
import { FormFault } from '../../../parts/FormFault';
import { dayOfYearText } from '../../../format/figures';
import { Button } from '../../../parts/Button';
import { DayField } from '../../../parts/DayField';
import { TextField } from '../../../parts/TextField';
import { useRightForm } from '../../../parts/useRightForm';
import { useToday } from '../../../store/clock';
import { useHouse, useSnapshot } from '../../../store/house';
import { inOneGo } from '../../../store/undo';
import { useChangeOf, useChangeSettings } from '../../../store/useEditPart';

/** Times of the year in which other hours hold, of the house and of everybody. */
export function SeasonFields() {
  const { openHours } = useHouse().settings;
  const { people } = useSnapshot();
  const changeSettings = useChangeSettings();
  const changePerson = useChangeOf('people');
  const today = useToday();
  const [name, setName] = useState('');
  const [from, setFrom] = useState(today);
  const [to, setTo] = useState(today);
  const { form, fault, isRight } = useRightForm<HTMLElement>();
  if (!openHours) return null;
  const { seasons = [] } = openHours;
  const days = { from: ofYear(from), to: ofYear(to) };
  const taken = seasons.find((season) => season.name === name.trim());
  const over = seasons.find((season) => overlap(season, days));
  const remove = (season: HoursSeason): void => {
    const together = inOneGo(`${season.name} was removed`);
    void changeSettings(
      ({ openHours: latest }) => (latest ? { openHours: withoutSeason(latest, season.name) } : {}),
      together,
    );
    for (const person of people) {
      if (person.hours?.seasons?.some((each) => each.name === season.name))
        void changePerson(
          person,
          ({ hours }) => (hours ? { hours: withoutSeason(hours, season.name) } : {}),
          together,
        );
    }
  };
  return (
    <section
      ref={form}
      aria-label="Seasons"
      className="flex flex-col gap-2 border-t border-line pt-4"
    >
      <h2 className="text-lg">Seasons</h2>
      <p className="text-ink-soft">
        Every year on these days other hours hold. Go to a week in a season and write them there.
      </p>
      {seasons.map((season) => (
        <p key={season.name} className="flex items-center justify-between gap-2">
          <span>
            {season.name}, {dayOfYearText(season.from)} – {dayOfYearText(season.to)}
          </span>
          <Button weight="remove" className="h-7!" onClick={() => remove(season)}>
            Remove {season.name}
          </Button>
        </p>
      ))}
      <TextField
        label="Name of the season"
        value={name}
        onCommit={setName}
        hint={taken ? 'There is one of that name.' : undefined}
      />
      <div className="grid grid-cols-2 gap-2">
        <DayField label="Every year from" value={from} onCommit={setFrom} />
        <DayField label="until" value={to} onCommit={setTo} />
      </div>
      {over && <p className="text-clay">These days lie in {over.name}.</p>}
      <FormFault fault={fault} className="" />
      <Button
        disabled={name.trim() === '' || from === '' || to === '' || taken !== undefined || !!over}
        onClick={() => {
          if (!isRight()) return;
          const season = { name: name.trim(), ...days };
          void changeSettings(({ openHours: latest }) =>
            latest ? { openHours: withSeason(latest, season) } : {},
          );
          setName('');
        }}
      >
        Add this season
      </Button>
    </section>
  );
}

function ofYear(day: string): string {
  return day.slice('YYYY-'.length);
}
