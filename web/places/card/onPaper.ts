import type { PrintedMenu } from '../menu/guests/guestPage';
import type { OrderSheet } from '../restock/orders/orderSheet';
import type { CardWords } from './cardWords';
import type { TrayLine } from './trayWords';

/** The sizes of paper that cards are made for. */
export type Paper = 'A4' | 'A5';

/** What is put on paper. */
export type OnPaper =
  | { readonly kind: 'order'; readonly sheet: OrderSheet }
  | { readonly kind: 'menu'; readonly folded: boolean; readonly page: PrintedMenu }
  | { readonly kind: 'card'; readonly paper: Paper; readonly card: CardWords }
  | {
      readonly kind: 'tray';
      readonly paper: Paper;
      readonly title: string;
      readonly subtitle: string;
      readonly lines: readonly TrayLine[];
    };
