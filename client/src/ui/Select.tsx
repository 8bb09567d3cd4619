import { Select as Primitive } from 'radix-ui';
import { Check, ChevronDown } from 'lucide-react';

type Choice<Value extends string> = { value: Value; label: string };

type Props<Value extends string> = {
  label: string;
  /** Whether the label is told only, since what stands beside it says it already. */
  isLabelHidden?: boolean;
  /** Null where it is none of the choices; what is said then. */
  value: Value | null;
  none?: string;
  choices: readonly Choice<Value>[];
  onChange: (value: Value) => void;
  className?: string;
};

// The primitive takes no empty value, which here is one like any other.
const prefix = '=';

/** One of a few values. */
export function Select<Value extends string>(props: Props<Value>) {
  const { label, isLabelHidden = false, value, none = '', choices, onChange, className = '' } = props;
  return (
    <span className={`inline-flex min-w-0 items-center gap-1.5 text-12 ${className}`}>
      {!isLabelHidden && <span className="shrink-0 text-mute">{label}</span>}
      <Primitive.Root
        value={value === null ? '' : prefix + value}
        onValueChange={(chosen) => onChange(chosen.slice(prefix.length) as Value)}
      >
        <Primitive.Trigger
          aria-label={label}
          className="inline-flex min-h-6 min-w-0 items-center gap-1 rounded-[3px] border border-rule bg-sheet px-1.5 text-12 font-strong text-ink hover:border-ink print:border-0 print:bg-transparent print:px-0"
        >
          <span className="truncate">
            <Primitive.Value placeholder={none} />
          </span>
          <Primitive.Icon asChild>
            <ChevronDown size={12} className="shrink-0 print:hidden" aria-hidden="true" />
          </Primitive.Icon>
        </Primitive.Trigger>
        <Primitive.Portal>
          <Primitive.Content
            position="popper"
            sideOffset={4}
            collisionPadding={8}
            className="z-50 max-h-[min(20rem,var(--radix-select-content-available-height))] min-w-(--radix-select-trigger-width) overflow-hidden rounded-[4px] border border-rule bg-sheet p-1 text-14 text-ink shadow-md"
          >
            <Primitive.Viewport>
              {choices.map((choice) => (
                <Primitive.Item
                  key={choice.value}
                  value={prefix + choice.value}
                  className="flex cursor-pointer items-center gap-2 rounded-[3px] px-2 py-1.5 outline-none data-highlighted:bg-plum-wash"
                >
                  <span className="w-4 shrink-0">
                    <Primitive.ItemIndicator>
                      <Check size={14} aria-hidden="true" />
                    </Primitive.ItemIndicator>
                  </span>
                  <Primitive.ItemText>{choice.label}</Primitive.ItemText>
                </Primitive.Item>
              ))}
            </Primitive.Viewport>
          </Primitive.Content>
        </Primitive.Portal>
      </Primitive.Root>
    </span>
  );
}
