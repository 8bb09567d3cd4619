/** The places, in the order in which a student goes through them. */
export const places = [
  { path: 'catalogue', name: 'Catalogue' },
  { path: 'workbench', name: 'Workbench' },
  { path: 'line-up', name: 'Line-up' },
  { path: 'choice', name: 'Choice' },
] as const;

export function placeOf(path: string | undefined) {
  return places.find((place) => place.path === path);
}
