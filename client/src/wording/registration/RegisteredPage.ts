export const wording = {
  registrarSilent:
    'The registrar does not answer just now. What you see is what it said last; what you send is sent when it is back.',
  week: 'Week',
  weekAsItStands: 'Week as it stands with the registrar',
};
