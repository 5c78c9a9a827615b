import { nanoid } from '@reduxjs/toolkit';
import { Plus, Trash2 } from 'lucide-react';
import { useNavigate } from 'react-router';
import type { Versioned } from '@bienestar/contract/api';
import type { GuestMenu, MenuSection } from '@bienestar/core/house/house';
import { Button } from '../../../parts/Button';
import { DayField } from '../../../parts/DayField';
import { TextField } from '../../../parts/TextField';
import { useAddAndRemove, useChange } from '../../../store/useEditPart';
import { moved } from './moved';
import { SectionEditor } from './SectionEditor';

const LEAVING = { commitOn: 'leaving' } as const;
const LONGEST = 2000;

/** A menu in hand: its title and days, its sections in order, what stands at its end. */
export function MenuEditor({ menu }: { readonly menu: Versioned<GuestMenu> }) {
  const change = useChange('menus', menu);
  const { remove, busy } = useAddAndRemove('menus');
  const navigate = useNavigate();
  const putSections = (
    make: (sections: readonly MenuSection[]) => readonly MenuSection[],
  ): Promise<string | undefined> => change((latest) => ({ sections: make(latest.sections) }));
  const takeAway = async (): Promise<void> => {
    if (!(await remove(menu))) return;
    await navigate('/menu/guests');
  };
  const orNothing = (text: string): string | undefined =>
    text.trim() === '' ? undefined : text.trim();
  return (
    <section aria-label={menu.name} className="flex flex-col gap-4">
      <TextField
        {...LEAVING}
        label="Title"
        needed
        value={menu.name}
        onCommit={(name) => change({ name })}
      />
      <div className="grid grid-cols-2 gap-3">
        <DayField
          label="Shown from"
          value={menu.from ?? ''}
          onCommit={(day) => change({ from: orNothing(day) })}
        />
        <DayField
          label="Shown until"
          value={menu.until ?? ''}
          onCommit={(day) => change({ until: orNothing(day) })}
        />
      </div>
      <TextField
        {...LEAVING}
        label="Under the title"
        lines={2}
        longest={LONGEST}
        value={menu.intro ?? ''}
        onCommit={(text) => change({ intro: orNothing(text) })}
      />
      {menu.sections.map((section, at) => (
        <SectionEditor
          key={section.id}
          section={section}
          first={at === 0}
          last={at === menu.sections.length - 1}
          onChange={(next) =>
            putSections((sections) => sections.map((each) => (each.id === next.id ? next : each)))
          }
          onMove={(by) =>
            void putSections((sections) => {
              const from = sections.findIndex(({ id }) => id === section.id);
              return moved(sections, from, from + by);
            })
          }
          onRemove={() =>
            void putSections((sections) => sections.filter(({ id }) => id !== section.id))
          }
        />
      ))}
      <Button
        className="self-start"
        onClick={() =>
          void putSections((sections) => [
            ...sections,
            { id: nanoid(8), title: 'New section', lines: [] },
          ])
        }
      >
        <Plus aria-hidden size={16} /> A section
      </Button>
      <TextField
        {...LEAVING}
        label="At the end"
        lines={3}
        longest={LONGEST}
        value={menu.foot ?? ''}
        onCommit={(text) => change({ foot: orNothing(text) })}
      />
      <Button
        weight="remove"
        className="self-start"
        disabled={busy}
        onClick={() => void takeAway()}
      >
        <Trash2 aria-hidden size={16} /> Remove this menu
      </Button>
    </section>
  );
}
