type Props = {
  /** The same said in several lengths, the shortest first. */
  forms: readonly string[];
  className?: string;
};

/**
 * One line that says the longest form for which there is room, or nothing: a text that is cut off says something else.
 *
 * Each form lies in a layer of its own, the longest on top. In its layer it stands behind nothing, which has the height of
 * the line: where it is too wide it goes to a second line, which is out of view, and the form below is seen. `--behind` is
 * the colour that they stand on, with which they cover each other.
 */
export function Fit({ forms, className = '' }: Props) {
  // One that is longer than a later one would show behind it.
  const growing = forms.filter((form, at) => forms.slice(at + 1).every((one) => one.length >= form.length));
  return (
    <span className={`relative block h-[1lh] ${className}`}>
      {growing.map((form) => (
        <span key={form} className="absolute inset-0 flex flex-wrap overflow-hidden">
          <span className="h-[1lh] w-0" />
          <span className="bg-(--behind) whitespace-nowrap">{form}</span>
        </span>
      ))}
    </span>
  );
}
