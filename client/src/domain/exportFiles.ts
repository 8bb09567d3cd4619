import { call, http } from '@/api/client';
import { placed, type Sections } from './useSections';

/** A kind of file that a timetable is given as. */
export type ExportFile = {
  label: string;
  extension: string;
  fetch: (term: string, timetable: { name: string; sections: string[] }, sections: Sections) => Promise<Blob>;
};

/** What a timetable can be given as, in the order of the menu. */
export const exportFiles: readonly ExportFile[] = [
  {
    label: 'Calendar (.ics)',
    extension: 'ics',
    fetch: (term, body) => call(http.POST('/api/terms/{term}/timetable/ics', request(term, body))),
  },
  {
    label: 'Spreadsheet (.csv)',
    extension: 'csv',
    fetch: (term, body) => call(http.POST('/api/terms/{term}/timetable/csv', request(term, body))),
  },
  {
    label: 'Plain text (.txt)',
    extension: 'txt',
    fetch: (term, body) => call(http.POST('/api/terms/{term}/timetable/txt', request(term, body))),
  },
  picture('Picture (.png)', 'png', 'light'),
  picture('Picture, dark (.png)', 'png', 'dark'),
  picture('Drawing (.svg)', 'svg', 'light'),
  picture('Drawing, dark (.svg)', 'svg', 'dark'),
];

/** A picture of the week, in the colours that the courses have here. */
function picture(label: string, extension: 'png' | 'svg', theme: 'light' | 'dark'): ExportFile {
  return {
    label,
    extension,
    fetch: (term, body, sections) => {
      const colours = Object.fromEntries(
        placed(sections, body.sections).map((one) => [one.course.id, one.colour]),
      );
      return call(
        http.POST(`/api/terms/{term}/timetable/${extension}`, request(term, { ...body, theme, colours })),
      );
    },
  };
}

function request<T>(term: string, body: T) {
  return { params: { path: { term } }, body, parseAs: 'blob' as const };
}
