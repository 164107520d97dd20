import { solveWeek, FIRST_EFFORT } from '@zero-pour/core';
import { shop } from './bench/plan';
for (const n of [1,5,15]) for (const goal of ['earliest','civil'] as const) {
  const t=performance.now();
  const a=solveWeek(shop(n,goal), FIRST_EFFORT);
  console.log(n,goal,a.status,a.tried,Math.round(performance.now()-t),'ms', a.status==='planned'?[a.cost,a.bound]:'');
}
