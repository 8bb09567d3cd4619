/** Where one signs in, to come back to a path of ours. */
export function signInAddress(from: string): string {
  return `/api/sign-in?from=${encodeURIComponent(from)}`;
}
