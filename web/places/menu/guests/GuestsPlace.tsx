import { nanoid } from '@reduxjs/toolkit';
import { Download, FileDown, Plus, Printer } from 'lucide-react';
import { useMemo, useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { isShownOn } from '@bienestar/core/house/guest';
import type { GuestMenu } from '@bienestar/core/house/house';
import { asId, type MenuId } from '@bienestar/core/house/ids';
import { createOfferCalculator } from '@bienestar/core/offer/offerFigures';
import { Button, IconButton } from '../../../parts/Button';
import { fileNameOf, saveFile } from '../../../parts/saveFile';
import { EmptyPlace } from '../../../parts/EmptyPlace';
import { Segments } from '../../../parts/Segments';
import { useFigures, useHouse, useSnapshot } from '../../../store/house';
import { useAddAndRemove } from '../../../store/useEditPart';
import { usePdf } from '../../card/paper';
import { MenuHeader } from '../MenuHeader';
import { guestCsv } from './guestCsv';
import { guestPage, shownWords } from './guestPage';
import { GuestPaper } from './GuestPaper';
import { MenuEditor } from './MenuEditor';
import { useToday } from '../../../store/clock';

const countOffer = createOfferCalculator();

/** Menus as guests read them: put together on the left, as they are printed on the right. */
export function GuestsPlace() {
  const house = useHouse();
  const figures = useFigures();
  const { menus } = useSnapshot();
  const { menuId } = useParams();
  const navigate = useNavigate();
  const { add, busy } = useAddAndRemove('menus');
  const [folded, setFolded] = useState(false);
  const pdf = usePdf();
  const chosen = menus.find(({ id }) => id === menuId) ?? menus[0];
  const page = useMemo(
    () => chosen && guestPage(chosen, house, figures, (offer) => countOffer(offer, house, figures)),
    [chosen, house, figures],
  );
  const begin = async (): Promise<void> => {
    const made = newMenu(house.services.map(({ id }) => id));
    if (await add(made)) await navigate(`/menu/guests/${made.id}`);
  };
  return (
    <div className="flex h-full flex-col print:block">
      <div className="print:hidden">
        <MenuHeader title="For guests">
          {page && (
            <>
              <Segments
                label="Paper"
                labelHidden
                value={folded ? 'folded' : 'a4'}
                options={[
                  { value: 'a4', label: 'A4' },
                  { value: 'folded', label: 'A5, folded' },
                ]}
                onChoose={(paper) => setFolded(paper === 'folded')}
              />
              <IconButton
                label="Export the menu as CSV"
                className="size-9 border border-line-strong bg-sheet"
                onClick={() =>
                  saveFile(guestCsv(page), `${fileNameOf(page.title)}.csv`, 'text/csv')
                }
              >
                <Download aria-hidden size={16} />
              </IconButton>
              <Button onClick={() => window.print()}>
                <Printer aria-hidden size={16} /> Print
              </Button>
              <Button
                disabled={pdf.busy}
                onClick={() => pdf.make({ kind: 'menu', folded, page }, page.title)}
              >
                <FileDown aria-hidden size={16} /> {pdf.busy ? 'Making the PDF …' : 'PDF'}
              </Button>
            </>
          )}
          <Button weight="main" disabled={busy} onClick={() => void begin()}>
            <Plus aria-hidden size={16} /> Another menu
          </Button>
        </MenuHeader>
      </div>
      {chosen && page ? (
        <div className="columns-of-place lg:grid-cols-[25rem_minmax(0,1fr)] print:block">
          <aside
            aria-label="Putting the menu together"
            className="flex min-h-0 flex-col gap-5 overflow-y-auto border-r border-line bg-sheet px-6 py-4 print:hidden"
          >
            <MenuList menus={menus} chosenId={chosen.id} />
            <MenuEditor key={chosen.id} menu={chosen} />
          </aside>
          <div
            tabIndex={0}
            role="region"
            aria-label="The menu as guests read it"
            className="min-h-0 overflow-y-auto bg-sunk px-8 py-6 print:overflow-visible print:bg-transparent print:p-0"
          >
            <GuestPaper page={page} folded={folded} />
          </div>
        </div>
      ) : (
        <div className="px-6 py-8">
          <EmptyPlace title="Guests have nothing to read yet">
            Begin a menu: put services, courses and packages into sections, in your own words.
            Prices and minutes follow what the house computes.
          </EmptyPlace>
        </div>
      )}
    </div>
  );
}

interface MenuListProps {
  readonly menus: readonly GuestMenu[];
  readonly chosenId: string;
}

function MenuList({ menus, chosenId }: MenuListProps) {
  const today = useToday();
  return (
    <ul aria-label="Menus" className="flex flex-col">
      {menus.map((menu) => (
        <li key={menu.id} className="border-b border-line py-1.5">
          <Link
            to={`/menu/guests/${menu.id}`}
            aria-current={menu.id === chosenId ? 'true' : undefined}
            className="font-serif text-lg leading-tight hover:text-clay hover:underline aria-[current=true]:font-bold"
          >
            {menu.name}
          </Link>
          <span className="block text-sm text-ink-soft">
            {shownWords(menu)}
            {isShownOn(menu, today) ? ', shown today' : ', not shown today'}
          </span>
        </li>
      ))}
    </ul>
  );
}

function newMenu(serviceIds: readonly string[]): GuestMenu {
  return {
    id: asId<MenuId>(nanoid(12)),
    name: 'Treatments',
    sections: [
      {
        id: nanoid(8),
        title: 'Treatments',
        lines: serviceIds.map((id) => ({ kind: 'service', serviceId: asId(id) })),
      },
    ],
  };
}
