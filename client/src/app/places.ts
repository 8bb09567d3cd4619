import { wording } from '@/wording/app/places';
/** The places, in the order in which a student goes through them. */
export const places = [
  { path: 'requirements', name: wording.requirements },
  { path: 'catalogue', name: wording.catalogue },
  { path: 'workbench', name: wording.workbench },
  { path: 'line-up', name: wording.lineUp },
  { path: 'registration', name: wording.registration },
] as const;

export function placeOf(path: string | undefined) {
  return places.find((place) => place.path === path);
}
