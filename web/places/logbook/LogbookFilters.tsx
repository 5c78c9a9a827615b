import type { LogbookFilter } from '@bienestar/core/logbook/logbookRows';
import { Choice } from '../../parts/Choice';
import { DayField } from '../../parts/DayField';
import { TextField } from '../../parts/TextField';
import { useHouse } from '../../store/house';

const ANY = 'any';

interface LogbookFiltersProps {
  readonly filter: LogbookFilter;
  readonly onChoose: (key: string, value: string | undefined) => void;
}

/** What is looked for in the logbook. */
export function LogbookFilters({ filter, onChoose }: LogbookFiltersProps) {
  const { services, people, rooms } = useHouse();
  const options = (
    any: string,
    things: readonly { readonly id: string; readonly name: string }[],
  ) => [{ value: ANY, label: any }, ...things.map(({ id, name }) => ({ value: id, label: name }))];
  const chosen = (key: string) => (value: string) =>
    onChoose(key, value === ANY ? undefined : value);
  return (
    <search className="flex flex-wrap items-end gap-x-3 gap-y-2 border-b border-line px-3 py-2 sm:px-6">
      <TextField
        label="Look for a guest, a note, any word"
        value={filter.words ?? ''}
        onCommit={(words) => onChoose('words', words)}
        className="min-w-56 flex-1"
      />
      <Choice
        label="Service"
        value={filter.serviceId ?? ANY}
        options={options('any service', services)}
        onChoose={chosen('service')}
        className="w-48"
      />
      <Choice
        label="By"
        value={filter.performedBy ?? ANY}
        options={options('anybody', people)}
        onChoose={chosen('by')}
        className="w-32"
      />
      <Choice
        label="Room"
        value={filter.roomId ?? ANY}
        options={options('any room', rooms)}
        onChoose={chosen('room')}
        className="w-32"
      />
      <DayField
        label="From"
        value={filter.from ?? ''}
        onCommit={(day) => onChoose('from', day)}
        className="w-32"
      />
      <DayField
        label="Until"
        value={filter.until ?? ''}
        onCommit={(day) => onChoose('until', day)}
        className="w-32"
      />
    </search>
  );
}
