import { Document, Line as SvgLine, Page, Rect, Svg, Text, View } from '@react-pdf/renderer';
import { amountText } from '../../format/amountWords';
import type { CardLine, CardWords } from '../../places/card/cardWords';
import { INK, sizeOf, styles, type Sized } from './setting';

/** The card of a protocol. */
export function CardOnPaper({ card, paper, scale }: Sized & { readonly card: CardWords }) {
  const { fontSize, padding } = sizeOf(paper, scale);
  return (
    <Document title={card.title}>
      <Page size={paper} style={[styles.page, { fontSize, padding }]}>
        <Text style={[styles.title, { fontSize: fontSize * 2.1 }]}>{card.title}</Text>
        <Text style={styles.soft}>{card.subtitle}</Text>
        {card.about.map((words) => (
          <Text key={words}>{words}</Text>
        ))}
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
            {line.asks.map((asked) => (
              <Text key={asked} style={styles.bold}>
                {asked}
              </Text>
            ))}
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
