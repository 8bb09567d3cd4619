// The load on a server at an address: load.mjs ADDRESS CATALOGUE [IMPORT-COMMAND …]; the command imports while others save.
import { worsts } from './greed.mjs';
import { Made } from './made.mjs';
import { besideTheWorst, mixed, saving, steady } from './stages.mjs';

const [address, catalogue, only, ...importing] = process.argv.slice(2);
const made = new Made(catalogue);
const groups = {
  mixed: async () => {
    for (const connections of [16, 64, 200]) console.log(await mixed(address, made, connections));
  },
  steady: async () => console.log(await steady(address, made, 700)),
  worst: async () => {
    for (const worst of worsts) console.log(await besideTheWorst(address, made, catalogue, worst));
  },
  saves: async () => {
    console.log(await saving(address, made, 'by themselves'));
    console.log(await saving(address, made, 'while a catalogue is imported', importing));
  },
};
// The server compiles its code in the first seconds under load.
await mixed(address, made, 16);
for (const [name, run] of Object.entries(groups)) if (only === 'all' || only === name) await run();
