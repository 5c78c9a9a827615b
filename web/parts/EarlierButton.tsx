import { Button } from './Button';

/** The way to what was earlier; away when all of it is there. */
export function EarlierButton({ onRead }: { readonly onRead: (() => void) | undefined }) {
  if (!onRead) return null;
  return (
    <Button weight="quiet" onClick={onRead}>
      Earlier
    </Button>
  );
}
