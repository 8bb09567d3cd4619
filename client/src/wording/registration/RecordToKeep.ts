import { sayMoment } from '@/wording/moments';

export const wording = {
  registeredFor: (term: string) => `Registered for ${term}`,
  columns: ['Course', 'Numbers', 'Hours', 'Credits', 'Registered', 'Confirmation'],
  moment: (at: string, timeZone: string) => sayMoment(at, timeZone),
  export: 'Export',
  print: 'Print',
};
