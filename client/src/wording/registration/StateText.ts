export const wording = {
  registered: 'registered',
  sent: 'sent, no answer yet',
  waiting: (place: number, of: number) => `waiting, place ${place} of ${of}`,
  notRegistered: 'not registered',
  planned: 'planned',
  ready: 'ready',
  notReady: 'not ready',
};
