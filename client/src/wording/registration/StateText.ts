export const wording = {
  registered: 'registered',
  sent: 'sent, no answer yet',
  waiting: (place: number, of: number) => `waiting, place ${place} of ${of}`,
  notRegistered: 'not registered',
  planned: 'planned',
  ready: 'ready',
  wouldWait: (place: number) => `full: would wait, place ${place}`,
  wouldSwap: 'full: would take the swap',
  notReady: 'not ready',
};
