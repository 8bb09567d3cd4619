export const wording = {
  ofNearestWeek: ', of the nearest week',
  ofNearestWeekGoesAgainst: ', of the nearest week, goes against what you ask',
  kept: ', kept',
};
