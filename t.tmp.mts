import { createDemoShop } from '@zero-pour/demo';
import { boardRows, moldRows, planWeeks, allWishes, proposalProblem, readAnswer, clashWords } from '@zero-pour/plan';
import { solveWeek, smallestClash, formatPhrase, METRIC, FIRST_EFFORT } from '@zero-pour/core';
const now = new Date(2026, 10, 24, 16, 54).getTime();
const { file } = await createDemoShop(new Date(now));
const open = file.pours.filter((p:any) => p.doc.result.doneAt === undefined);
const shop:any = { settings: file.settings, lists: file.lists, patterns: file.patterns, molds: file.molds };
const rows = boardRows(open, shop); const molds = moldRows(shop);
const f=(t:number)=>new Date(t).toString().slice(0,21);
for (const goal of ['earliest','civil','kiln','wanted'] as const) {
  const p = planWeeks(rows, molds, shop, goal, now);
  if (goal==='earliest') { console.log(p.leftOut, p.problem.slotMin, p.subjects.map(s=>[s.of, s.kilns.length, f(s.job.wanted!), s.job.ways[0]!.tasks.map(t=>t.key+':'+Math.round(t.minutes)+'/'+t.handsMin+(t.at?'@'+f(t.at):'')+(t.notAfter?'<'+f(t.notAfter):'')).join(' | '), JSON.stringify(s.job.ways[0]!.gaps)]));
  }
  let t=performance.now(); const first = solveWeek(proposalProblem(p), FIRST_EFFORT); console.log(goal, 'first', first.status, Math.round(performance.now()-t), first.status==='planned'?first.cost:first);
  t=performance.now(); const a = solveWeek(proposalProblem(p)); console.log('full', a.status, Math.round(performance.now()-t), a.status==='planned'?[a.best,a.cost,a.bound,a.tried]:a);
  if (a.status==='planned') for (const x of readAnswer(p,a)) console.log(x.subject.of, f(x.zero), x.movedMs!/3.6e6, x.kiln?.kiln.name, x.longer, x.steps.map(s=>s.name+' '+f(s.from).slice(0,3)+f(s.from).slice(16)).join(', '));
}
const p = planWeeks(rows, molds, shop, 'earliest', now);
let t=performance.now(); const c = smallestClash(p.problem, allWishes(p)); console.log(Math.round(performance.now()-t));
if (c.status==='clash'){ const w=clashWords(p,c,f); console.log(w.wishes.map(x=>formatPhrase(x,METRIC)), w.ways.map(x=>formatPhrase(x.words,METRIC)+(x.partly?' (partly)':'')), w.hopeless, w.sure);} else console.log(c.status);
