import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import type { Ask, Numbers, Term } from '@/api/client';
import { numbersQuery } from '@/api/queries';
import { sayComponent } from '@/grid/classes';
import { sayDays } from '@/wording/days';
import { keepSections } from '@/domain/edits';
import { copyText } from '@/lib/copyText';
import { Button } from '@/ui/Button';
import { Dialog } from '@/ui/Dialog';
import { meetingLines } from '@/grid/meetings';
import { wording } from '@/wording/catalogue/PasteNumbers';
import { common } from '@/wording/common';
import { counted } from '@/wording/counted';
import { joinAnd } from '@/wording/lists';

type Props = {
  term: Term;
  ask: Ask;
  change: (edit: (ask: Ask) => Ask) => void;
  onClose: () => void;
};

/** Registration numbers out of any text: what they are, what is wrong with them, and into the sketch. */
export function PasteNumbers({ term, ask, change, onClose }: Props) {
  const [text, setText] = useState('');
  const [chosen, setChosen] = useState<ReadonlyMap<string, string>>(new Map());
  const [copied, setCopied] = useState(false);
  const read = useQuery(numbersQuery(term.id, text));
  const numbers = text.trim() === '' ? undefined : read.data;
  const keptNow = ask.wanted.flatMap((wanted) => wanted.keep);
  const sections = [
    ...(numbers?.sections.map((one) => ({ course: one.course, number: one.section.number })) ?? []),
    ...(numbers?.missing.flatMap((missing) => {
      const number = chosen.get(keyOf(missing));
      return number ? [{ course: missing.course, number }] : [];
    }) ?? []),
  ];
  return (
    <Dialog open onOpenChange={(open) => !open && onClose()} title={wording.registrationNumbers}>
      <label className="block">
        <span className="mb-1 block text-12 text-mute">{wording.pasteAnyTextWithRegistration}</span>
        <textarea
          value={text}
          onChange={(event) => setText(event.target.value)}
          rows={4}
          maxLength={20_000}
          className="w-full rounded-[4px] border border-rule bg-sheet px-2.5 py-1.5 text-14"
        />
      </label>
      {read.isError && (
        <p role="alert" className="mt-2 text-brick">
          {read.error.message}
        </p>
      )}
      {numbers && (
        <Recognised
          numbers={numbers}
          chosen={chosen}
          onChoose={(missing, number) => setChosen((now) => new Map(now).set(keyOf(missing), number))}
        />
      )}
      <div className="mt-3 flex flex-wrap items-center gap-2">
        <Button
          look="main"
          disabled={sections.length === 0}
          onClick={() => {
            change((now) => keepSections(now, sections));
            onClose();
          }}
        >
          {sections.length === 0
            ? wording.keepInSketch
            : wording.keepSections(counted.sections(sections.length))}
        </Button>
        {keptNow.length > 0 && (
          <Button onClick={() => void copyText(keptNow.join('\n')).then(() => setCopied(true))}>
            {copied ? common.copied : wording.copyKept(counted.numbers(keptNow.length))}
          </Button>
        )}
      </div>
    </Dialog>
  );
}

type Missing = Numbers['missing'][number];

const keyOf = (missing: Missing) => `${missing.course} ${missing.component}`;

type RecognisedProps = {
  numbers: Numbers;
  chosen: ReadonlyMap<string, string>;
  onChoose: (missing: Missing, number: string) => void;
};

function Recognised({ numbers, chosen, onChoose }: RecognisedProps) {
  const { sections, cancelled, ofOtherTerms, unknown, missing } = numbers;
  return (
    <div className="mt-3 flex flex-col gap-2" role="status">
      {sections.length + cancelled.length + ofOtherTerms.length + unknown.length === 0 && (
        <p className="text-mute">{wording.noRegistrationNumberInText}</p>
      )}
      {sections.length > 0 && (
        <ul className="border-t border-hair">
          {sections.map(({ course, title, section }) => (
            <li key={section.number} className="border-b border-hair py-1.5">
              <span className="tabular-nums">{section.number}</span>{' '}
              <span className="font-heavy">{course}</span> {title}
              <div className="text-12 text-mute">{saySection(section)}</div>
            </li>
          ))}
        </ul>
      )}
      {cancelled.map(({ course, section }) => (
        <p key={section.number} className="text-brick">
          {wording.isCancelled(section.number, course, sayComponent(section))}
        </p>
      ))}
      {ofOtherTerms.map(({ number, terms }) => (
        <p key={number} className="text-brick">
          {wording.sectionOfNotOfTerm(number, joinAnd(terms))}
        </p>
      ))}
      {unknown.length > 0 && (
        <p className="text-brick">
          {wording.noSectionOfCatalogue(
            unknown.join(', '),
            unknown.length === 1 ? wording.thisNumber : wording.theseNumbers,
          )}
        </p>
      )}
      {missing.map((one) => (
        <fieldset key={keyOf(one)} className="rounded-[4px] border border-gold px-2.5 pt-1 pb-2">
          <legend className="px-1 text-12 font-heavy">{wording.alsoNeeds(one.course, one.component)}</legend>
          {one.offers.length === 0 && <p className="text-12">{wording.noGoes(one.component)}</p>}
          {one.offers.map((offer) => (
            <label key={offer.number} className="flex items-baseline gap-2 py-0.5">
              <input
                type="radio"
                name={keyOf(one)}
                checked={chosen.get(keyOf(one)) === offer.number}
                onChange={() => onChoose(one, offer.number)}
              />
              <span>
                <span className="font-strong">{offer.label}</span>{' '}
                <span className="text-12 text-mute">{saySection(offer)}</span>
              </span>
            </label>
          ))}
        </fieldset>
      ))}
    </div>
  );
}

function saySection(section: Numbers['sections'][number]['section']): string {
  const hours = meetingLines(section).map((line) => `${sayDays(line.days)} ${line.hours}`);
  return [sayComponent(section), hours.length > 0 ? hours.join(', ') : common.noSetHours].join(' · ');
}
