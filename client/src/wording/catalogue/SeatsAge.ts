export const wording = {
  seatsNotRefreshed: (message: string) => `Seats not refreshed: ${message}`,
  seatsAge: (age: string) => `Seats ${age}`,
  refresh: 'Refresh',
};
