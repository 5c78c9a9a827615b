import { AttentionList, useAttention } from '../restock/AttentionList';

/** What the shelf asks for while no material is in hand. */
export function ShelfAttention() {
  const items = useAttention().filter((item) => 'material' in item);
  return (
    <div className="flex flex-col gap-4 px-6 py-8">
      <p className="font-serif text-lg text-ink-soft">
        Choose a material to see what is left of it, how it is bought, measured and used.
      </p>
      {items.length === 0 ? (
        <p>Nothing runs out, expires or is to be ordered.</p>
      ) : (
        <AttentionList items={items} />
      )}
    </div>
  );
}
