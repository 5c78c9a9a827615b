import {
  Document,
  Font,
  Line as SvgLine,
  Page,
  pdf,
  Rect,
  StyleSheet,
  Svg,
  Text,
  View,
} from '@react-pdf/renderer';
import serif from '@fontsource/alegreya/files/alegreya-latin-500-normal.woff?url';
import sans from '@fontsource/hanken-grotesk/files/hanken-grotesk-latin-400-normal.woff?url';
import sansBold from '@fontsource/hanken-grotesk/files/hanken-grotesk-latin-600-normal.woff?url';
import { expose } from 'comlink';
import { amountText } from '../format/amountWords';
import type { CardLine, CardWords } from '../places/card/cardWords';
import type { TrayLine } from '../places/card/trayWords';
import type { OnPaper, Paper } from '../places/card/onPaper';
import type { PrintedLine, PrintedMenu } from '../places/menu/guests/guestPage';
import type { OrderSheet } from '../places/restock/orders/orderSheet';
import { booklet } from './booklet';

const address = (path: string): string => new URL(path, self.location.origin).href;
Font.register({ family: 'Alegreya', src: address(serif) });
Font.register({
  family: 'Hanken Grotesk',
  fonts: [
    { src: address(sans), fontWeight: 400 },
    { src: address(sansBold), fontWeight: 600 },
  ],
});
Font.registerHyphenationCallback((word) => [word]);

const INK = '#2b2520';
const SOFT = '#665a4d';
const CLAY = '#9a4527';
const LINE = '#d8ccb8';

const styles = StyleSheet.create({
  page: { fontFamily: 'Hanken Grotesk', color: INK, lineHeight: 1.35 },
  title: { fontFamily: 'Alegreya', lineHeight: 1.1, marginBottom: 4 },
  soft: { color: SOFT },
  bold: { fontWeight: 600 },
  clay: { color: CLAY },
  stretch: { fontFamily: 'Alegreya', color: SOFT, marginTop: 8, marginBottom: 2 },
  row: {
    flexDirection: 'row',
    borderBottomWidth: 0.5,
    borderBottomColor: LINE,
    paddingVertical: 3,
    gap: 6,
  },
  grow: { flex: 1 },
  section: { borderBottomWidth: 0.75, borderBottomColor: CLAY, paddingBottom: 1 },
  dots: {
    flex: 1,
    borderBottomWidth: 0.75,
    borderBottomColor: LINE,
    borderStyle: 'dotted',
    marginBottom: 2,
  },
});

interface Sized {
  readonly paper: Paper;
}

const sizeOf = (paper: Paper): { readonly fontSize: number; readonly padding: number } =>
  paper === 'A4' ? { fontSize: 9.5, padding: 36 } : { fontSize: 7.5, padding: 22 };

function Card({ card, paper }: Sized & { readonly card: CardWords }) {
  const { fontSize, padding } = sizeOf(paper);
  return (
    <Document title={card.title}>
      <Page size={paper} style={[styles.page, { fontSize, padding }]}>
        <Text style={[styles.title, { fontSize: fontSize * 2.1 }]}>{card.title}</Text>
        <Text style={styles.soft}>{card.subtitle}</Text>
        {card.goal !== undefined && <Text>{card.goal}</Text>}
        <Legend />
        {card.cautions.map(({ time, stop, others }) => (
          <View key={time} style={{ flexDirection: 'row', marginTop: 4 }} wrap={false}>
            <Text style={[styles.bold, { width: 34 }]}>{time}</Text>
            <View style={styles.grow}>
              {stop !== '' && (
                <Text>
                  <Text style={[styles.bold, styles.clay]}>Stop: </Text>
                  {stop}.
                </Text>
              )}
              {others !== '' && <Text style={styles.soft}>{others}</Text>}
            </View>
          </View>
        ))}
        {card.stretches.map(({ name, lines }) => (
          <View key={name}>
            <Text style={[styles.stretch, { fontSize: fontSize * 1.2 }]}>{name}</Text>
            {lines.map((line) => (
              <Line key={line.key} line={line} />
            ))}
          </View>
        ))}
        <Notes title="Before the visit" lines={card.before} />
        <Notes title="Afterwards" lines={card.after} />
        {card.notice !== undefined && (
          <Text style={[styles.soft, { marginTop: 8 }]}>{card.notice}</Text>
        )}
      </Page>
    </Document>
  );
}

/** The sign for whose hands, as on the screen: solid is on, ruled is watching, open is free. */
function Mark({ hands }: { readonly hands: CardLine['hands'] }) {
  const fill = hands === 'hands-on' ? INK : 'none';
  return (
    <Svg width={7} height={7} viewBox="0 0 7 7">
      <Rect x={0.5} y={0.5} width={6} height={6} stroke={INK} strokeWidth={0.7} fill={fill} />
      {hands === 'watching' &&
        [2, 3.5, 5].map((y) => (
          <SvgLine key={y} x1={0.5} x2={6.5} y1={y} y2={y} stroke={INK} strokeWidth={0.5} />
        ))}
    </Svg>
  );
}

const HANDS = [
  ['hands-on', 'hands on'],
  ['watching', 'watching'],
  ['free', 'free'],
] as const;

function Legend() {
  return (
    <View style={{ flexDirection: 'row', alignItems: 'center', gap: 10, marginTop: 3 }}>
      {HANDS.map(([hands, words]) => (
        <View key={hands} style={{ flexDirection: 'row', alignItems: 'center', gap: 3 }}>
          <Mark hands={hands} />
          <Text style={styles.soft}>{words}</Text>
        </View>
      ))}
      <Text style={styles.soft}>
        guest 5: minute since the guest came in; room 12: since the room was taken
      </Text>
    </View>
  );
}

function Line({ line }: { readonly line: CardLine }) {
  return (
    <>
      {line.layers !== undefined && <Text style={styles.bold}>{line.layers}</Text>}
      {line.standing === 'for-others' ? (
        <Text style={[styles.soft, { paddingLeft: 22, paddingVertical: 2 }]}>
          {line.name}: {line.when}
        </Text>
      ) : (
        <View style={styles.row} wrap={false}>
          <Text style={[styles.soft, { width: 16 }]}>{line.number}</Text>
          <View style={styles.grow}>
            <Text style={styles.bold}>
              {line.meanwhile ? 'meanwhile: ' : ''}
              {line.name}
            </Text>
            {line.when !== undefined && <Text style={styles.soft}>{line.when}</Text>}
            {line.amounts.length > 0 && <Text>{line.amounts.map(amountText).join(' · ')}</Text>}
            {line.mixes.map((mix) => (
              <Text key={mix}>{mix}</Text>
            ))}
            {line.details.length > 0 && <Text style={styles.soft}>{line.details.join(' · ')}</Text>}
            {line.watch !== undefined && <Text style={styles.clay}>Watch: {line.watch}</Text>}
            {line.say !== undefined && <Text>“{line.say}”</Text>}
            {line.why !== undefined && <Text style={styles.soft}>Why: {line.why}</Text>}
            {line.note !== undefined && <Text>Note: {line.note}</Text>}
          </View>
          <View style={{ width: 78, alignItems: 'flex-end' }}>
            <View style={{ flexDirection: 'row', alignItems: 'center', gap: 4 }}>
              <Text>{line.minutes}</Text>
              <Mark hands={line.hands} />
            </View>
            {line.roomClock !== undefined && (
              <Text style={styles.soft}>
                {line.guestClock === undefined ? '' : `guest ${line.guestClock} · `}room{' '}
                {line.roomClock}
              </Text>
            )}
          </View>
        </View>
      )}
    </>
  );
}

function Notes({ title, lines }: { readonly title: string; readonly lines: readonly string[] }) {
  if (lines.length === 0) return null;
  return (
    <View style={{ marginTop: 6 }}>
      <Text style={styles.bold}>{title}</Text>
      {lines.map((line) => (
        <Text key={line}>{line}</Text>
      ))}
    </View>
  );
}

function Tray({
  title,
  subtitle,
  lines,
  paper,
}: Sized & {
  readonly title: string;
  readonly subtitle: string;
  readonly lines: readonly TrayLine[];
}) {
  const { fontSize, padding } = sizeOf(paper);
  return (
    <Document title={title}>
      <Page size={paper} style={[styles.page, { fontSize, padding }]}>
        <Text style={[styles.title, { fontSize: fontSize * 2.1 }]}>{title}</Text>
        <Text style={styles.soft}>{subtitle}</Text>
        {lines.map((line) => (
          <View key={line.key} style={styles.row} wrap={false}>
            <Text style={[styles.soft, { width: 44 }]}>{line.at}</Text>
            <Text style={[styles.bold, { width: 72, textAlign: 'right' }]}>{line.amount}</Text>
            <View style={styles.grow}>
              <Text>{line.name}</Text>
              {line.note !== '' && <Text style={styles.soft}>{line.note}</Text>}
            </View>
          </View>
        ))}
      </Page>
    </Document>
  );
}

function Menu({ page, folded }: { readonly page: PrintedMenu; readonly folded: boolean }) {
  const fontSize = folded ? 8.5 : 10.5;
  const padding = folded ? 30 : 56;
  return (
    <Document title={`${page.house}, ${page.title}`}>
      <Page size={folded ? 'A5' : 'A4'} style={[styles.page, { fontSize, padding }]}>
        <Text
          style={[styles.title, styles.clay, { textAlign: 'center', fontSize: fontSize * 1.2 }]}
        >
          {page.house}
        </Text>
        <Text style={[styles.title, { textAlign: 'center', fontSize: fontSize * 2.6 }]}>
          {page.title}
        </Text>
        {page.intro !== undefined && (
          <Text style={[styles.soft, { textAlign: 'center', marginTop: 6 }]}>{page.intro}</Text>
        )}
        {page.sections.map(({ key, title, text, lines }) => (
          <View key={key} style={{ marginTop: fontSize * 1.4 }}>
            <View wrap={false} minPresenceAhead={fontSize * 5} style={styles.section}>
              <Text style={[styles.title, styles.clay, { fontSize: fontSize * 1.5 }]}>{title}</Text>
            </View>
            {text !== undefined && <Text style={[styles.soft, { marginTop: 2 }]}>{text}</Text>}
            {lines.map((line) => (
              <MenuLine key={line.key} line={line} fontSize={fontSize} />
            ))}
          </View>
        ))}
        {page.foot !== undefined && (
          <Text style={[styles.soft, { marginTop: fontSize * 2, textAlign: 'center' }]}>
            {page.foot}
          </Text>
        )}
      </Page>
    </Document>
  );
}

function MenuLine({ line, fontSize }: { readonly line: PrintedLine; readonly fontSize: number }) {
  return (
    <View wrap={false} style={{ marginTop: fontSize * 0.7 }}>
      <View style={{ flexDirection: 'row', alignItems: 'flex-end', gap: 4 }}>
        <Text style={[styles.title, { fontSize: fontSize * 1.25 }]}>{line.name}</Text>
        <Text style={styles.soft}>{line.minutes ?? ''}</Text>
        <View style={styles.dots} />
        <Text style={[styles.title, { fontSize: fontSize * 1.25 }]}>
          {line.price ?? 'on request'}
        </Text>
      </View>
      {line.text !== undefined && <Text style={{ width: '85%' }}>{line.text}</Text>}
      {line.cautions.map((caution) => (
        <Text key={caution} style={[styles.soft, { fontSize: fontSize * 0.85 }]}>
          {caution}
        </Text>
      ))}
    </View>
  );
}

const ORDER_WIDTHS = { article: 70, pack: 90, packs: 45, price: 75 } as const;

function Order({ sheet }: { readonly sheet: OrderSheet }) {
  const { fontSize, padding } = sizeOf('A4');
  const { article, pack, packs, price } = ORDER_WIDTHS;
  const right = { textAlign: 'right' } as const;
  return (
    <Document title={sheet.title}>
      <Page size="A4" style={[styles.page, { fontSize, padding }]}>
        <Text style={styles.soft}>{sheet.house}</Text>
        <Text style={[styles.title, { fontSize: fontSize * 2.1, marginTop: 14 }]}>
          {sheet.title}
        </Text>
        <Text style={[styles.soft, { marginBottom: 10 }]}>{sheet.day}</Text>
        <View style={styles.row}>
          <Text style={[styles.bold, { width: article }]}>Article</Text>
          <Text style={[styles.bold, styles.grow]}>Name</Text>
          <Text style={[styles.bold, { width: pack }]}>Pack</Text>
          <Text style={[styles.bold, right, { width: packs }]}>Packs</Text>
          <Text style={[styles.bold, right, { width: price }]}>Expected</Text>
        </View>
        {sheet.lines.map((line) => (
          <View key={line.key} style={styles.row} wrap={false}>
            <Text style={{ width: article }}>{line.article}</Text>
            <Text style={styles.grow}>{line.name}</Text>
            <Text style={{ width: pack }}>{line.pack}</Text>
            <Text style={[right, { width: packs }]}>{line.packs}</Text>
            <Text style={[right, { width: price }]}>{line.price}</Text>
          </View>
        ))}
        <Text style={[styles.bold, right, { marginTop: 6 }]}>{sheet.total}</Text>
        {sheet.note !== undefined && <Text style={{ marginTop: 14 }}>{sheet.note}</Text>}
      </Page>
    </Document>
  );
}

function documentOf(what: OnPaper) {
  switch (what.kind) {
    case 'order':
      return <Order {...what} />;
    case 'card':
      return <Card {...what} />;
    case 'tray':
      return <Tray {...what} />;
    case 'menu':
      return <Menu {...what} />;
  }
}

/** Sets cards, trays, menus and orders as PDF, away from the page. */
const paper = {
  pdf: async (what: OnPaper): Promise<Blob> => {
    const set = await pdf(documentOf(what)).toBlob();
    return what.kind === 'menu' && what.folded ? booklet(set) : set;
  },
};

export type PaperWorker = typeof paper;
expose(paper);
