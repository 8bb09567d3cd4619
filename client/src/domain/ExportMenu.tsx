import { type ReactNode, useState } from 'react';
import { download, fileName } from '@/lib/download';
import { Menu, MenuItem, MenuLine } from '@/ui/Menu';
import { type ExportFile, exportFiles } from './exportFiles';
import type { Sections } from './useSections';
import { wording } from '@/wording/domain/ExportMenu';

type Props = {
  term: string;
  name: string;
  numbers: readonly string[];
  /** Where its sections are looked up. */
  sections: Sections;
  trigger: ReactNode;
  /** More that can be done with it, above the files. */
  children?: ReactNode;
};

/** A timetable as a file for other programs, or as a picture. */
export function ExportMenu({ term, name, numbers, sections, trigger, children }: Props) {
  const [problem, setProblem] = useState<string | null>(null);
  const save = async (file: ExportFile) => {
    try {
      const timetable = { name: name.slice(0, 80), sections: [...numbers] };
      download(await file.fetch(term, timetable, sections), fileName(name, file.extension));
      setProblem(null);
    } catch (error) {
      setProblem(error instanceof Error ? error.message : wording.fileCouldNotBeMade);
    }
  };
  return (
    <>
      <Menu trigger={trigger}>
        {children}
        {children && <MenuLine />}
        {exportFiles.map((file) => (
          <MenuItem key={file.label} onSelect={() => void save(file)}>
            {file.label}
          </MenuItem>
        ))}
      </Menu>
      {problem !== null && (
        <span role="alert" className="text-12 text-brick">
          {problem}
        </span>
      )}
    </>
  );
}
