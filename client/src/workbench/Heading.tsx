/** A heading of what is asked, with a hairline and a word beside it. */
export function Heading({ name, aside }: { name: string; aside: string }) {
  return (
    <div className="mt-3 mb-1 flex items-center gap-2 text-12">
      <h3 className="font-heavy">{name}</h3>
      <span className="h-px flex-1 bg-hair" />
      {aside !== '' && <span className="text-mute">{aside}</span>}
    </div>
  );
}
