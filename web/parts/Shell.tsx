import { Moon, Sun } from 'lucide-react';
import { lazy, Suspense, useEffect } from 'react';
import { NavLink, Outlet } from 'react-router';
import { PROBLEM_TYPES } from '@bienestar/contract/problems';
import { USUAL_SPREAD } from '@bienestar/core/house/settings';
import { useHouseQuery } from '../store/api';
import { refusedBy } from '../store/refusals';
import { selectHouse } from '../store/house';
import { applyTheme, themeChosen } from '../store/preferences';
import { outbox, useAppDispatch, useAppSelector } from '../store/store';
import { IconButton } from './Button';
import { Loading } from './Loading';
import { StaleWrites } from './StaleWrites';
import { Questions } from './Questions';
import { Toasts } from './Toasts';
import { UsualSpread } from './usualSpread';
import { WorkingProvider } from './working/WorkingProvider';

const PLACES = [
  ['/shelf', 'Shelf'],
  ['/protocols', 'Protocols'],
  ['/menu', 'Menu'],
  ['/week', 'Week'],
  ['/restock', 'Restock'],
  ['/room', 'Room'],
  ['/logbook', 'Logbook'],
  ['/house', 'House'],
] as const;

const BeginPlace = lazy(async () => ({
  default: (await import('../places/house/BeginPlace')).BeginPlace,
}));

const UndoButtons = lazy(async () => ({
  default: (await import('./UndoButtons')).UndoButtons,
}));

const AwayNotice = lazy(async () => ({
  default: (await import('./AwayNotice')).AwayNotice,
}));

const WaitingNote = lazy(async () => ({
  default: (await import('./waiting/WaitingNote')).WaitingNote,
}));

/** The frame of every place: where one is, and whether the house answers. */
export function Shell() {
  const {
    data: house,
    error,
    isError,
    refetch,
  } = useHouseQuery(undefined, { refetchOnFocus: true });
  const noHouse = withoutHouse(error);
  const settings = useAppSelector(selectHouse)?.settings;
  /* What is shown is shown with what this browser kept of earlier windows, which is sent then. Not a
     Suspense: React keeps what it fell back to for 300 ms. */
  const isOpen = useAppSelector(({ queue }) => queue.isOpen);
  const isReady = house !== undefined && isOpen;
  useEffect(() => {
    if (isReady) outbox.kick();
  }, [isReady]);
  return (
    <div className="flex h-dvh flex-col">
      <a
        href="#place"
        className="sr-only focus:not-sr-only focus:absolute focus:z-50 focus:bg-sheet focus:px-3 focus:py-2"
      >
        Skip to the place
      </a>
      <header className="flex shrink-0 flex-wrap items-center border-b border-line px-3 sm:px-6 lg:h-13 print:hidden">
        <p className="min-w-0 flex-1 truncate py-2 lg:w-36 lg:flex-none font-serif text-lg font-bold text-clay">
          {settings?.name ?? 'Bienestar'}
        </p>
        <nav
          aria-label="Places"
          className="order-last flex h-10 w-full items-stretch justify-between lg:order-none lg:h-full lg:w-auto lg:justify-start"
        >
          {PLACES.map(([to, name]) => (
            <NavLink
              key={to}
              to={to}
              className="relative flex items-center px-0.5 font-serif text-sm text-ink-soft sm:px-3 sm:text-lg hover:text-ink aria-[current=page]:text-ink aria-[current=page]:after:absolute aria-[current=page]:after:inset-x-1 sm:aria-[current=page]:after:inset-x-3 aria-[current=page]:after:-bottom-px aria-[current=page]:after:h-[3px] aria-[current=page]:after:bg-clay"
            >
              {name}
            </NavLink>
          ))}
        </nav>
        <div className="ml-auto flex items-center gap-1 sm:gap-3">
          <Suspense fallback={<span className="w-16" />}>
            <WaitingNote />
            <UndoButtons />
          </Suspense>
          <ThemeSwitch />
        </div>
      </header>
      <Suspense>
        <AwayNotice houseMissing={error !== undefined && !house} />
      </Suspense>
      <StaleWrites />
      <main id="place" tabIndex={-1} className="min-h-0 flex-1 focus:outline-none">
        {isReady ? (
          <WorkingProvider key={settings?.locale}>
            <UsualSpread value={settings?.usualSpread ?? USUAL_SPREAD}>
              <Outlet />
            </UsualSpread>
          </WorkingProvider>
        ) : noHouse ? (
          <Suspense fallback={<Loading what="Looking for the house" />}>
            <BeginPlace fault={noHouse.fault} />
          </Suspense>
        ) : (
          <Loading what="Opening the house" failed={isError} onRetry={() => void refetch()} />
        )}
      </main>
      <Questions />
      <Toasts />
    </div>
  );
}

/**
 * What the server answers where no house is set up, or none that can be read; anything else is a house that
 * cannot be had now.
 */
function withoutHouse(error: unknown): { readonly fault?: string } | undefined {
  const refused = error === undefined ? undefined : refusedBy(error);
  if (refused?.kind !== 'refused') return undefined;
  const { status, type, detail } = refused.document;
  if (type === PROBLEM_TYPES.damaged) return { fault: detail };
  return status === 404 ? {} : undefined;
}

function ThemeSwitch() {
  const theme = useAppSelector((state) => state.preferences.theme);
  const dispatch = useAppDispatch();
  useEffect(() => applyTheme(theme), [theme]);
  const other = theme === 'light' ? 'dim' : 'light';
  return (
    <IconButton
      label={other === 'dim' ? 'Dim the light' : 'Turn up the light'}
      onClick={() => dispatch(themeChosen(other))}
    >
      {other === 'dim' ? <Moon aria-hidden size={18} /> : <Sun aria-hidden size={18} />}
    </IconButton>
  );
}
