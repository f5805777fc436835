import { probing } from './torture/probing.mjs'

console.log(JSON.stringify(await probing({ cards: 20000, seed: 1 })))
