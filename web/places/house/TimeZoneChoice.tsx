import { Choice } from '../../parts/Choice';
import { useSnapshot } from '../../store/house';
import { useChangeSettings } from '../../store/useEditPart';

/** The clocks by which the days and hours of the house go. */
export function TimeZoneChoice() {
  const { timeZone } = useSnapshot().settings;
  const change = useChangeSettings();
  const known = new Set([timeZone, ...Intl.supportedValuesOf('timeZone'), 'UTC']);
  return (
    <Choice
      label="Time zone"
      hint="its clocks say what day it is here, on every device"
      value={timeZone}
      options={[...known].toSorted().map((value) => ({ value, label: value.replaceAll('_', ' ') }))}
      onChoose={(next) => void change({ timeZone: next })}
    />
  );
}
