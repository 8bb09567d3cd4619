import type { ReactNode } from 'react';
import { Button } from '@/ui/Button';
import { wording } from '@/wording/workbench/Fields';
import { common } from '@/wording/common';

export const fieldLook =
  'w-full rounded-[4px] border border-rule bg-paper px-2 py-1.5 aria-invalid:border-brick';

type TextProps = {
  id: string;
  label: string;
  value: string;
  placeholder: string;
  longest: number;
  onChange: (text: string) => void;
  wrong: string | null;
};

/** A text field with what is wrong with it under it. */
export function TextField({ id, label, value, placeholder, longest, onChange, wrong }: TextProps) {
  return (
    <div>
      <label htmlFor={id} className="mb-1 block text-12 text-mute">
        {label}
      </label>
      <input
        id={id}
        value={value}
        onChange={(event) => onChange(event.target.value)}
        maxLength={longest}
        placeholder={placeholder}
        aria-invalid={wrong !== null}
        aria-describedby={`${id}-wrong`}
        className={fieldLook}
      />
      <Complaint id={`${id}-wrong`} text={wrong} />
    </div>
  );
}

export function Complaint({ id, text }: { id: string; text: string | null }) {
  return (
    <p id={id} role={text ? 'alert' : undefined} className="mt-1 min-h-4 text-12 text-brick">
      {text}
    </p>
  );
}

/** Fields of one thing under its name. */
export function FieldGroup({ name, children }: { name: string; children: ReactNode }) {
  return (
    <fieldset>
      <legend className="mb-1 text-12 text-mute">{name}</legend>
      {children}
    </fieldset>
  );
}

type ButtonsProps = {
  /** What saving is called. */
  save: string;
  /** Takes away what the form changes; null where it makes something new. */
  onRemove: (() => void) | null;
  onClose: () => void;
};

/** What ends a form: save, remove, or leave it. */
export function FormButtons({ save, onRemove, onClose }: ButtonsProps) {
  return (
    <div className="mt-1 flex gap-2">
      <Button look="main" type="submit">
        {save}
      </Button>
      {onRemove && (
        <Button
          onClick={() => {
            onRemove();
            onClose();
          }}
        >
          {common.remove}
        </Button>
      )}
      <Button look="quiet" className="ml-auto" onClick={onClose}>
        {common.cancel}
      </Button>
    </div>
  );
}

const badTime = wording.noTime;

/** What is wrong with a start and an end, as far as they could be read. */
export function wrongHours(start: number | null, end: number | null) {
  return {
    from: start === null ? badTime : null,
    to: end === null ? badTime : start !== null && end <= start ? common.endMustComeAfterStart : null,
  };
}
