import { call, http } from '@/api/client';
import { placed, type Sections } from './useSections';
import { wording } from '@/wording/domain/exportFiles';

/** A kind of file that a timetable is given as. */
export type ExportFile = {
  label: string;
  extension: string;
  fetch: (term: string, timetable: { name: string; sections: string[] }, sections: Sections) => Promise<Blob>;
};

/** What a timetable can be given as, in the order of the menu. */
export const exportFiles: readonly ExportFile[] = [
  {
    label: wording.calendarIcs,
    extension: 'ics',
    fetch: (term, body) => call(http.POST('/api/terms/{term}/timetable/ics', request(term, body))),
  },
  {
    label: wording.spreadsheetCsv,
    extension: 'csv',
    fetch: (term, body) => call(http.POST('/api/terms/{term}/timetable/csv', request(term, body))),
  },
  {
    label: wording.plainTextTxt,
    extension: 'txt',
    fetch: (term, body) => call(http.POST('/api/terms/{term}/timetable/txt', request(term, body))),
  },
  picture(wording.picturePng, 'png', 'light'),
  picture(wording.pictureDarkPng, 'png', 'dark'),
  picture(wording.drawingSvg, 'svg', 'light'),
  picture(wording.drawingDarkSvg, 'svg', 'dark'),
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
