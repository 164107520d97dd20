import { createDemoShop } from '@zero-pour/demo';
import { boardRows, planWeeks, allWishes, clashWords } from '@zero-pour/plan';
import { solveWeek, smallestClash, formatPhrase, METRIC, withWishes } from '@zero-pour/core';
const now = new Date(2026, 10, 24, 16, 54).getTime();
const { file } = await createDemoShop(new Date(now));
const open = structuredClone(file.pours.filter((p:any) => p.doc.result.doneAt === undefined));
const z = Date.parse(open.find((p:any)=>p.number===30)!.doc.brief.zeroAt!)+24*3.6e6;
for (const p of open) if (p.number===30) p.doc.brief.zeroAt=new Date(z).toISOString(); else if (p.number===31) p.doc.brief.zeroAt=new Date(z+3.6e6).toISOString();
const shop:any = { settings: file.settings, lists: file.lists, patterns: file.patterns };
const f=(t:number)=>new Date(t).toISOString().slice(5,16);
const p = planWeeks(boardRows(open, shop), [], shop, 'wanted', now);
for (const drop of [null,'zero','kiln'] as const) { let t=performance.now(); const kept=allWishes(p).filter(w=>!(drop&&w.kind===drop&&w.job===open.find((x:any)=>x.number===30)!.id)); const a=solveWeek(withWishes(p.problem,kept),{orders:0,proof:400,anyPlan:true}); console.log(drop,a.status,a.tried,Math.round(performance.now()-t)); }
let t=performance.now(); const c = smallestClash(p.problem, allWishes(p)); console.log(Math.round(performance.now()-t));
if (c.status==='clash'){ const w=clashWords(p,c,f); console.log(w.wishes.map(x=>formatPhrase(x,METRIC)), w.ways.map(x=>formatPhrase(x.words,METRIC)+(x.partly?' (partly)':'')), w.hopeless, w.sure);} else console.log(c.status);
