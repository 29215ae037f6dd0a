import { makeGrid } from "../core/src/heat/conduction.js";
import { constantBoundary } from "../core/src/heat/media.js";
import { makeConductionKernel, conductQuickly } from "../core/src/heat/conductionKernel.js";
const m=64,n=24;
const grid = makeGrid({nodes:n,halfThickness_m:Array.from({length:m},(_, j)=>0.0005+0.0025*j/m),columnHeight_m:0.04/m});
const face=constantBoundary(2000,50);
const sur={faces:Array.from({length:m},()=>face),foot:face,top:face};
const f={temperature_C:new Float64Array(m*n).fill(800),conductivity_W_mK:new Float64Array(m*n).fill(25),volumeHeat_J_m3K:new Float64Array(m*n).fill(5e6),released_J_m3:new Float64Array(m*n)};
const k=makeConductionKernel(grid);const out=new Float64Array(4);
for(let z=0;z<4;z++){
for(let r=0;r<1500;r++){ if(r%300===0)f.temperature_C.fill(800); conductQuickly(k,f,sur,0.01,out);}
const t=process.cpuUsage();for(let r=0;r<4000;r++){if(r%300===0)f.temperature_C.fill(800);conductQuickly(k,f,sur,0.01,out);}
const u=process.cpuUsage(t);console.log((u.user*1e3/4000/m/n).toFixed(2),'ns/node both sweeps');}
