import { type ReactNode, useState } from 'react';
import { call, http } from '@/api/client';
import { download, fileName } from '@/lib/download';
import { Menu, MenuItem, MenuLine } from '@/ui/Menu';

type Props = {
  term: string;
  name: string;
  numbers: readonly string[];
  trigger: ReactNode;
  /** More that can be done with it, above the files. */
  children?: ReactNode;
};

const files = [
  { extension: 'ics', label: 'Calendar (.ics)' },
  { extension: 'csv', label: 'Spreadsheet (.csv)' },
  { extension: 'txt', label: 'Plain text (.txt)' },
] as const;

type Extension = (typeof files)[number]['extension'];

/** A timetable as a file for other programs. */
export function ExportMenu({ term, name, numbers, trigger, children }: Props) {
  const [problem, setProblem] = useState<string | null>(null);
  const save = async (extension: Extension) => {
    try {
      const options: Options = {
        params: { path: { term } },
        body: { name: name.slice(0, 80), sections: [...numbers] },
        parseAs: 'blob',
      };
      download(await fetchFile(extension, options), fileName(name, extension));
      setProblem(null);
    } catch (error) {
      setProblem(error instanceof Error ? error.message : 'The file could not be made.');
    }
  };
  return (
    <>
      <Menu trigger={trigger}>
        {children}
        {children && <MenuLine />}
        {files.map(({ extension, label }) => (
          <MenuItem key={extension} onSelect={() => void save(extension)}>
            {label}
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

type Options = {
  params: { path: { term: string } };
  body: { name: string; sections: string[] };
  parseAs: 'blob';
};

function fetchFile(extension: Extension, options: Options): Promise<Blob> {
  switch (extension) {
    case 'ics':
      return call(http.POST('/api/terms/{term}/timetable/ics', options));
    case 'csv':
      return call(http.POST('/api/terms/{term}/timetable/csv', options));
    case 'txt':
      return call(http.POST('/api/terms/{term}/timetable/txt', options));
  }
}
