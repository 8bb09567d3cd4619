import type { Registration, Term } from '@/api/client';
import { ExportMenu } from '@/domain/ExportMenu';
import { placed, type Sections } from '@/domain/useSections';
import { sayMeetings } from '@/grid/meetings';
import { Button } from '@/ui/Button';
import { Dialog } from '@/ui/Dialog';
import { wording } from '@/wording/registration/RecordToKeep';

type Props = { term: Term; registration: Registration; sections: Sections; onClose: () => void };

/** What is registered, to hold against the registrar: numbers, times and confirmation numbers. */
export function RecordToKeep({ term, registration, sections, onClose }: Props) {
  const { held } = registration.standing;
  const numbers = held.flatMap((one) => one.sections);
  return (
    <Dialog open onOpenChange={onClose} title={wording.registeredFor(term.name)} wide isForReading>
      <table className="w-full border-collapse text-12">
        <thead className="text-left text-mute">
          <tr>
            {wording.columns.map((name) => (
              <th key={name} scope="col" className="py-1 pr-4 font-text">
                {name}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {held.map((one) => (
            <tr key={one.confirmation} className="border-t border-hair align-top">
              <td className="py-1.5 pr-4 font-strong">{one.course}</td>
              <td className="py-1.5 pr-4 tabular-nums select-all">{one.sections.join(', ')}</td>
              <td className="py-1.5 pr-4">
                {placed(sections, one.sections).map(({ section }) => (
                  <p key={section.number}>
                    {section.label} {sayMeetings(section)}
                  </p>
                ))}
              </td>
              <td className="py-1.5 pr-4 tabular-nums">{one.credits}</td>
              <td className="py-1.5 pr-4 whitespace-nowrap tabular-nums">
                {wording.moment(one.atUtc, registration.timeZone)}
              </td>
              <td className="py-1.5 font-strong tabular-nums select-all">{one.confirmation}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <div className="mt-4 flex justify-end gap-2 print:hidden">
        <ExportMenu
          term={term.id}
          name={wording.registeredFor(term.name)}
          numbers={numbers}
          sections={sections}
          trigger={<Button>{wording.export}</Button>}
        />
        <Button look="main" onClick={() => window.print()}>
          {wording.print}
        </Button>
      </div>
    </Dialog>
  );
}
