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
      <h1 className="mb-5 text-3xl">House</h1>
      <div className="grid grid-cols-[1fr_1fr] gap-x-12 gap-y-8">
        <SettingsPanel />
        <div className="flex flex-col gap-8">
          <PeoplePanel />
          <RoomsPanel />
          <DevicesPanel />
          <SuppliersPanel />
          <HouseFilePanel />
        </div>
      </div>
    </div>
  );
}
