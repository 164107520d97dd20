npx -s esbuild t.tmp.mts --bundle --platform=node --format=esm --outfile=/tmp/t.mjs --log-level=error --banner:js="import{createRequire}from'module';const require=createRequire(import.meta.url);" 2>&1 | tail -3
rm -rf /tmp/prof; timeout 200 node --cpu-prof --cpu-prof-dir=/tmp/prof /tmp/t.mjs
node -e "
const fs=require('fs');const f=fs.readdirSync('/tmp/prof').map(x=>'/tmp/prof/'+x).sort().pop();
const p=JSON.parse(fs.readFileSync(f));const self={};const dt=p.timeDeltas;const by=new Map(p.nodes.map(n=>[n.id,n]));
p.samples.forEach((s,i)=>{const n=by.get(s);const k=n.callFrame.functionName+':'+n.callFrame.lineNumber;self[k]=(self[k]||0)+dt[i]});
console.log(Object.entries(self).sort((a,b)=>b[1]-a[1]).slice(0,12).map(([k,v])=>k+' '+Math.round(v/1000)).join('\n'))"
