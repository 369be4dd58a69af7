import { demoBeats } from '../demo/beats';
import { solveFlow } from '../core/water/index';
import { rateLies } from '../core/lies/index';
const { plan } = demoBeats()[0]!;
const q=plan.levels.find((l:any)=>l.name===plan.surveyedLevel)!.dischargeM3s;
const flow=solveFlow(plan,{dischargeM3s:q});
const trout={species:'brown',forkLengthCm:25/1.04,waterTempC:11} as const;
const G=globalThis as any; for(let n=0;n<3;n++){G.looked=0;G.sweeps=0;const t=performance.now(); rateLies(plan,{...flow},trout); console.log('new',(performance.now()-t).toFixed(0),'looked',G.looked,'sweeps',G.sweeps);}
let d=0; const f={...flow}; rateLies(plan,f,trout);
for(let n=0;n<0;n++){const t=performance.now(); rateLies(plan,f,{...trout,waterTempC:4+(d+=.13)} as any); console.log('temp',(performance.now()-t).toFixed(0));}
