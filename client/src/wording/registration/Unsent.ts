import { joinAnd } from '@/wording/lists';

export const wording = {
  tryingAgain:
    'Sent, no answer yet: Hour Grid cannot be reached. It is tried again by itself, and nothing is done twice.',
  didNotLeave: (courses: readonly string[]) =>
    `You pressed for ${joinAnd([...new Set(courses)])}, and it did not leave this browser. Nothing of it was done.`,
  sendNow: 'Send it now',
  forgetIt: 'Forget it',
};
