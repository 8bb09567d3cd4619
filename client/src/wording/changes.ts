/** As in swap 2, drop 1, add 1. */
export function sayChanges({ swaps, drops, adds }: { swaps: number; drops: number; adds: number }): string {
  const said = [
    swaps > 0 ? `swap ${swaps}` : '',
    drops > 0 ? `drop ${drops}` : '',
    adds > 0 ? `add ${adds}` : '',
  ].filter((part) => part !== '');
  return said.length === 0 ? 'as it is held' : said.join(', ');
}
