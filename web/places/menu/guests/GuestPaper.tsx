import type { PrintedLine, PrintedMenu } from './guestPage';

interface GuestPaperProps {
  readonly page: PrintedMenu;
  readonly folded: boolean;
}

/** A menu as it is printed. */
export function GuestPaper({ page, folded }: GuestPaperProps) {
  return (
    <article
      className={`mx-auto border border-line bg-sheet shadow-sheet print:max-w-none print:border-0 print:p-0 print:shadow-none ${folded ? 'max-w-md px-8 py-8 text-sm' : 'max-w-2xl px-14 py-12'}`}
    >
      <style>{`@page { size: ${folded ? 'A5' : 'A4'}; margin: ${folded ? '12mm' : '18mm'}; }`}</style>
      <header className="pb-4 text-center">
        <p className="font-serif text-clay italic">{page.house}</p>
        <h2 className={folded ? 'text-3xl' : 'text-4xl'}>{page.title}</h2>
        {page.intro !== undefined && <p className="mt-2 text-ink-soft">{page.intro}</p>}
      </header>
      {page.sections.map(({ key, title, text, lines }) => (
        <section key={key} aria-label={title} className="mt-4">
          <h3 className="border-b border-clay pb-0.5 font-serif text-xl text-clay">{title}</h3>
          {text !== undefined && <p className="pt-1 text-ink-soft italic">{text}</p>}
          <ul>
            {lines.map((line) => (
              <Line key={line.key} line={line} />
            ))}
          </ul>
        </section>
      ))}
      {page.foot !== undefined && (
        <footer className="mt-6 border-t border-line pt-2 text-center text-sm text-ink-soft">
          {page.foot}
        </footer>
      )}
    </article>
  );
}

function Line({ line }: { readonly line: PrintedLine }) {
  return (
    <li className="break-inside-avoid py-1.5">
      <div className="flex items-baseline gap-2">
        <span className="font-serif text-lg leading-tight">{line.name}</span>
        <span className="text-sm whitespace-nowrap text-ink-soft">{line.minutes}</span>
        <span aria-hidden className="min-w-4 flex-1 border-b border-dotted border-line-strong" />
        <span className="font-serif text-lg whitespace-nowrap">{line.price ?? 'on request'}</span>
      </div>
      {line.text !== undefined && <p className="max-w-[85%]">{line.text}</p>}
      {line.cautions.map((caution) => (
        <p key={caution} className="text-sm text-ink-soft">
          <span aria-hidden className="text-clay">
            ▲{' '}
          </span>
          {caution}
        </p>
      ))}
    </li>
  );
}
