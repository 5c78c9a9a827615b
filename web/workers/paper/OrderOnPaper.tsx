import { Document, Page, Text, View } from '@react-pdf/renderer';
import type { OrderSheet } from '../../places/restock/orders/orderSheet';
import { sizeOf, styles } from './setting';

const ORDER_WIDTHS = { article: 70, pack: 90, packs: 45, price: 75 } as const;

/** An order as a letter to its supplier. */
export function OrderOnPaper({ sheet }: { readonly sheet: OrderSheet }) {
  const { fontSize, padding } = sizeOf('A4', 1);
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
