interface FiguresHeadProps {
  /** of the column of names */
  readonly names: string;
  readonly figures: readonly string[];
}

/** The head of a table of figures: names to the left, figures to the right. */
export function FiguresHead({ names, figures }: FiguresHeadProps) {
  return (
    <thead className="text-xs text-ink-soft">
      <tr className="border-b border-line-strong text-right">
        <th scope="col" className="py-1 text-left font-semibold">
          {names}
        </th>
        {figures.map((title) => (
          <th key={title} scope="col" className="pl-4 font-semibold whitespace-nowrap">
            {title}
          </th>
        ))}
      </tr>
    </thead>
  );
}
