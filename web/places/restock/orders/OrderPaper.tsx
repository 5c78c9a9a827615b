import type { OrderSheet } from './orderSheet';

/** The order as it goes to the supplier on paper; not seen on the screen. */
export function OrderPaper({ sheet }: { readonly sheet: OrderSheet }) {
  return (
    <article className="hidden print:block" aria-hidden>
      <style>{'@page { size: A4; margin: 16mm; }'}</style>
      <p>{sheet.house}</p>
      <p className="mt-4 font-serif text-2xl">{sheet.title}</p>
      <p>{sheet.day}</p>
      <table className="mt-4 w-full text-sm">
        <thead>
          <tr className="border-b text-left">
            <th className="py-1">Article</th>
            <th>Name</th>
            <th>Pack</th>
            <th className="text-right">Packs</th>
            <th className="text-right">Price expected</th>
          </tr>
        </thead>
        <tbody>
          {sheet.lines.map((line) => (
            <tr key={line.key} className="border-b">
              <td className="py-1">{line.article}</td>
              <td>{line.name}</td>
              <td>{line.pack}</td>
              <td className="text-right">{line.packs}</td>
              <td className="text-right">{line.price}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="mt-2 text-right font-semibold">{sheet.total}</p>
      {sheet.note !== undefined && <p className="mt-4">{sheet.note}</p>}
    </article>
  );
}
