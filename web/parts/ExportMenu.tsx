import { Download } from 'lucide-react';
import { DropdownMenu } from 'radix-ui';
import { API, type ExportName } from '@bienestar/contract/api';
import { Menu } from './Menu';
import { IconButton } from './Button';

const WORDS: Record<ExportName, string> = {
  materials: 'Materials',
  packs: 'Packs and prices',
  prices: 'History of prices',
  ledger: 'Ledger',
  stock: 'What is on hand',
  menu: 'Menu with its figures',
  logbook: 'Visits',
  steps: 'Minutes by step',
};
const FORMATS = ['csv', 'xlsx'] as const;

interface ExportMenuProps {
  readonly lists: readonly ExportName[];
  /** a file of another format: a calendar */
  readonly more?: { readonly name: string; readonly file: string };
}

/** A place as lists for other programs. */
export function ExportMenu({ lists, more }: ExportMenuProps) {
  return (
    <Menu
      trigger={
        <IconButton label="Export as a list" className="size-9 border border-line-strong bg-sheet">
          <Download aria-hidden size={16} />
        </IconButton>
      }
    >
      {lists.map((name) => (
        <DropdownMenu.Group key={name} className="flex items-center gap-1">
          <DropdownMenu.Label className="min-w-40 px-3 text-base whitespace-nowrap">
            {WORDS[name]}
          </DropdownMenu.Label>
          {FORMATS.map((format) => (
            <DropdownMenu.Item key={format} asChild>
              <a
                href={`${API}/exports/${name}.${format}`}
                download
                aria-label={`${WORDS[name]} as ${format.toUpperCase()}`}
                className="flex h-9 items-center rounded-sm px-3 text-sm text-palm uppercase outline-none data-highlighted:bg-sunk"
              >
                {format}
              </a>
            </DropdownMenu.Item>
          ))}
        </DropdownMenu.Group>
      ))}
      {more && (
        <DropdownMenu.Item asChild>
          <a
            href={`${API}/exports/${more.file}`}
            download
            className="flex h-9 items-center px-3 text-base text-palm outline-none data-highlighted:bg-sunk"
          >
            {more.name}
          </a>
        </DropdownMenu.Item>
      )}
    </Menu>
  );
}
