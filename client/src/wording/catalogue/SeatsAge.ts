export const wording = {
  live: 'Seats as they are now',
  seatsAge: (age: string) => `Seats ${age}; the registrar is not heard`,
};
