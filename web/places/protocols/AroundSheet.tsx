import { Plus, X } from 'lucide-react';
import type { ReactNode } from 'react';
import { LIMITS, outside, within } from '@bienestar/contract/limits';
import type {
  Around,
  Compared,
  HomeUse,
  Lasting,
  Protocol,
  Recommended,
} from '@bienestar/core/house/house';
import { SEASONS } from '@bienestar/core/house/traits';
import { Button, IconButton } from '../../parts/Button';
import { LABEL_LOOK } from '../../parts/FieldFrame';
import { NumberField } from '../../parts/NumberField';
import { Segments } from '../../parts/Segments';
import { Sheet } from '../../parts/Sheet';
import { TextField } from '../../parts/TextField';
import { Toggles } from '../../parts/Toggles';
import { useHouse } from '../../store/house';
import { ComparedFields } from './ComparedFields';
import { HomeUseFields, RecommendedFields } from './HomeRows';
import { LastingFields } from './LastingFields';
import { newDose } from './newStep';
import type { EditProtocol } from './useDraft';

interface AroundSheetProps {
  readonly protocol: Protocol;
  readonly edit: EditProtocol;
  readonly onClose: () => void;
}

type Spacing = NonNullable<Around['spacing']>;

const NOTHING: Around = { before: [], avoid: [], expect: [], call: [] };
const A_DAY: Lasting = { amount: 1, unit: 'days' };
const WEEKS: Lasting = { amount: 2, unit: 'weeks' };
const HOURS: Lasting = { amount: 6, unit: 'hours' };

/** What happens before and after the visit: preparation, what to avoid and expect, when to call, spacing. */
export function AroundSheet({ protocol, edit, onClose }: AroundSheetProps) {
  const around = protocol.around ?? NOTHING;
  const put = (changes: Partial<Around>, typed?: string): void =>
    edit(
      (before) => ({ ...before, around: { ...(before.around ?? NOTHING), ...changes } }),
      typed === undefined ? undefined : `around.${typed}`,
    );
  const { spacing } = around;
  const takenHome = useHouse().materials.filter(({ kind }) => kind === 'retail');
  const [first] = takenHome;
  const unsaid = takenHome.find(
    ({ id }) => !around.recommends?.some(({ materialId }) => materialId === id),
  );
  /** What is said of spacing besides stays, whichever of it is taken out. */
  const space = (changes: Partial<Spacing>): void => {
    const next: Spacing = { leastDays: 0, ...spacing, ...changes };
    const saysSomething = Object.values(next).some(Boolean);
    put({ spacing: saysSomething ? next : undefined }, 'spacing');
  };
  return (
    <Sheet open wide onClose={onClose} title="Before and after the visit">
      <div className="flex flex-col gap-6">
        <Rows
          title="At home before"
          rows={around.before}
          make={() => ({ what: '', from: WEEKS })}
          onChange={(before) => put({ before }, 'before')}
        >
          {(row, change) => (
            <>
              <TextField
                label="What"
                value={row.what}
                onCommit={(what) => change({ ...row, what })}
              />
              <LastingFields
                label="From before the visit"
                value={row.from}
                onChange={(from) => change({ ...row, from })}
              />
            </>
          )}
        </Rows>
        <Rows
          title="Taken off at home"
          rows={around.takeOff ? [around.takeOff] : []}
          most={1}
          make={() => ({ what: '', after: HOURS })}
          onChange={([takeOff]) => put({ takeOff }, 'takeOff')}
        >
          {(row, change) => (
            <>
              <TextField
                label="What is taken off"
                value={row.what}
                onCommit={(what) => change({ ...row, what })}
              />
              <LastingFields
                label="After"
                value={row.after}
                onChange={(after) => change({ ...row, after })}
              />
            </>
          )}
        </Rows>
        <Rows
          title="Compared afterwards"
          rows={around.compares ?? []}
          make={(): Compared => ({ what: '', beside: 'before' })}
          onChange={(compares) =>
            put({ compares: compares.length === 0 ? undefined : compares }, 'compares')
          }
        >
          {(row, change) => <ComparedFields compared={row} onChange={change} />}
        </Rows>
        <Rows
          title="To avoid"
          rows={around.avoid}
          make={() => ({ what: '', for: A_DAY })}
          onChange={(avoid) => put({ avoid }, 'avoid')}
        >
          {(row, change) => (
            <>
              <TextField
                label="What is avoided"
                value={row.what}
                onCommit={(what) => change({ ...row, what })}
              />
              <LastingFields
                label="For"
                value={row.for}
                onChange={(lasting) => change({ ...row, for: lasting })}
              />
            </>
          )}
        </Rows>
        <Rows
          title="To expect"
          rows={around.expect}
          make={() => ({ what: '', when: '' })}
          onChange={(expect) => put({ expect }, 'expect')}
        >
          {(row, change) => (
            <>
              <TextField
                label="What is seen"
                value={row.what}
                onCommit={(what) => change({ ...row, what })}
              />
              <TextField
                label="When"
                value={row.when}
                onCommit={(when) => change({ ...row, when })}
              />
            </>
          )}
        </Rows>
        <Rows
          title="When to call"
          rows={around.call}
          make={() => ''}
          onChange={(call) => put({ call }, 'call')}
        >
          {(row, change) => <TextField label="Call if" value={row} onCommit={change} />}
        </Rows>
        {first && (
          <>
            <Rows
              title="Used at home afterwards"
              rows={around.home ?? []}
              make={(): HomeUse => ({
                materialId: first.id,
                amount: newDose(first).amount,
                at: ['morning', 'night'],
                for: { amount: 3, unit: 'days' },
              })}
              onChange={(home) => put({ home: home.length === 0 ? undefined : home }, 'home')}
            >
              {(row, change) => <HomeUseFields use={row} onChange={change} />}
            </Rows>
            <Rows
              title="Recommended to buy"
              rows={around.recommends ?? []}
              most={takenHome.length}
              make={(): Recommended => ({ materialId: unsaid?.id ?? first.id, takeUp: 0.1 })}
              onChange={(recommends) =>
                put({ recommends: recommends.length === 0 ? undefined : recommends }, 'recommends')
              }
            >
              {(row, change) => <RecommendedFields recommended={row} onChange={change} />}
            </Rows>
          </>
        )}
        <div className="grid grid-cols-4 gap-3">
          <NumberField
            label="Days between visits, at least"
            value={spacing?.leastDays || undefined}
            check={(days) =>
              days > (spacing?.mostDays ?? Infinity)
                ? 'Not more days than at most.'
                : outside(LIMITS.spacingDays, days)
            }
            onCommit={(leastDays) => space({ leastDays })}
            onClear={() => space({ leastDays: 0 })}
          />
          <NumberField
            label="and at most"
            value={spacing?.mostDays}
            check={(days) =>
              days < (spacing?.leastDays ?? 0)
                ? 'Not fewer days than at least.'
                : outside(LIMITS.spacingDays, days)
            }
            onCommit={(mostDays) => space({ mostDays })}
            onClear={() => space({ mostDays: undefined })}
          />
          <NumberField
            label="Visits a year, at most"
            value={spacing?.mostPerYear}
            check={within(LIMITS.mostPerYear)}
            onCommit={(mostPerYear) => space({ mostPerYear })}
            onClear={() => space({ mostPerYear: undefined })}
          />
          <NumberField
            label="Visits of a course"
            value={spacing?.visits}
            check={within(LIMITS.spacingVisits)}
            onCommit={(visits) => space({ visits })}
            onClear={() => space({ visits: undefined })}
          />
          <NumberField
            label="Then every (days)"
            value={spacing?.thenEveryDays}
            check={within(LIMITS.thenEveryDays)}
            onCommit={(thenEveryDays) => space({ thenEveryDays })}
            onClear={() => space({ thenEveryDays: undefined })}
          />
        </div>
        <Toggles
          label="Not done in"
          values={spacing?.notIn ?? []}
          options={SEASONS.map((season) => ({ value: season, label: season }))}
          onChange={(notIn) => {
            if (notIn.length < SEASONS.length)
              space({ notIn: notIn.length === 0 ? undefined : notIn });
          }}
        />
        <Segments
          label="Pain relief before a device (the score is asked either way)"
          value={protocol.painRelief ?? 'unsaid'}
          options={[
            { value: 'unsaid', label: 'not said' },
            { value: 'none', label: 'none, so that the client can report' },
            { value: 'cooling', label: 'cooling' },
            { value: 'numbing', label: 'numbing' },
          ]}
          onChoose={(value) =>
            edit((before) => ({
              ...before,
              painRelief: value === 'unsaid' ? undefined : value,
            }))
          }
        />
      </div>
    </Sheet>
  );
}

interface RowsProps<T> {
  readonly title: string;
  readonly rows: readonly T[];
  readonly most?: number;
  readonly make: () => T;
  readonly onChange: (rows: readonly T[]) => void;
  readonly children: (row: T, change: (row: T) => void) => ReactNode;
}

function Rows<T>({ title, rows, most = 40, make, onChange, children }: RowsProps<T>) {
  return (
    <fieldset className="flex flex-col gap-2">
      <legend className={LABEL_LOOK}>{title}</legend>
      {rows.map((row, at) => (
        <div key={at} className="grid grid-cols-[1fr_1fr_2rem] items-end gap-3">
          {children(row, (changed) => onChange(rows.with(at, changed)))}
          <IconButton
            label={`Remove line ${at + 1} of ${title}`}
            className="col-start-3"
            onClick={() => onChange(rows.toSpliced(at, 1))}
          >
            <X aria-hidden size={16} />
          </IconButton>
        </div>
      ))}
      {rows.length < most && (
        <Button weight="quiet" className="self-start" onClick={() => onChange([...rows, make()])}>
          <Plus aria-hidden size={16} /> {title}
        </Button>
      )}
    </fieldset>
  );
}
