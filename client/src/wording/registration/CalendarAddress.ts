export const wording = {
  addressCouldNotBeWithdrawn: 'The address could not be withdrawn.',
  calendarAddress: 'Calendar address',
  calendarProgramSubscribesToAddress:
    'A calendar program that subscribes to this address shows the choice, and follows it when you choose another. Whoever knows the address can read it; withdraw it, and it is gone.',
  address: 'Address',
  copy: 'Copy',
  makeNewAddress: 'Make a new address',
  withdraw: 'Withdraw',
  makeAddress: 'Make an address',
};
