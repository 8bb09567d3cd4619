export const wording = {
  catalogueGivesNoTravelTimes: 'The catalogue gives no travel times.',
  fromTo: (campusName: string, campusName2: string) => `${campusName} to ${campusName2}`,
  minutesMin: (minutes: number) => `${minutes} min`,
};
