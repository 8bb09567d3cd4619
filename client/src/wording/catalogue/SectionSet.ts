export const wording = {
  eachListedUnderBelongs: (others: string, lead: string) =>
    `Each ${others} is listed under the ${lead} it belongs to.`,
};
