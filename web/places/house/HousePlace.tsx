import { DemoNotice } from './DemoNotice';
import { ListChecks } from 'lucide-react';
import { Link } from 'react-router';
import { CopiesPanel } from './CopiesPanel';
import { DevicesPanel } from './DevicesPanel';
import { HouseFilePanel } from './HouseFilePanel';
import { PeoplePanel } from './PeoplePanel';
import { RoomsPanel } from './RoomsPanel';
import { SettingsPanel } from './SettingsPanel';
import { SuppliersPanel } from './SuppliersPanel';

/** What holds for the whole house: money, hours, people, rooms, suppliers, and the house as a file. */
export function HousePlace() {
  return (
    <div className="h-full overflow-y-auto px-6 py-6" tabIndex={0} role="group" aria-label="House">
      <header className="mb-5 flex items-center justify-between">
        <h1 className="text-3xl">House</h1>
        <Link
          to="/house/set-up"
          className="inline-flex h-9 items-center gap-2 rounded-sm border border-line-strong bg-sheet px-3.5 text-sm font-semibold hover:bg-sunk"
        >
          <ListChecks aria-hidden size={16} /> Set it up with ten questions
        </Link>
      </header>
      <DemoNotice always />
      <div className="grid grid-cols-[minmax(0,1fr)] gap-x-12 gap-y-8 lg:grid-cols-[minmax(0,1fr)_minmax(0,1fr)]">
        <SettingsPanel />
        <div className="flex flex-col gap-8">
          <PeoplePanel />
          <RoomsPanel />
          <DevicesPanel />
          <SuppliersPanel />
          <HouseFilePanel />
          <CopiesPanel />
        </div>
      </div>
    </div>
  );
}
