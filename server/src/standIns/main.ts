import { startStandIns } from './standInApp';

// npm run stand-ins: a kiln, a thermometer and a balance that are none, in a process of their own.
const { address } = await startStandIns(Number(process.env['ZP_STAND_INS'] ?? 4690));
console.log(`Stand-ins are at ${address}/kiln, /thermometer and /balance. Stop them with Ctrl+C.`);
