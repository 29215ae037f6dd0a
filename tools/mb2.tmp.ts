import { makeGrid } from "../core/src/heat/conduction.js";
import { constantBoundary } from "../core/src/heat/media.js";
import { makeConductionKernel, conductQuickly } from "../core/src/heat/conductionKernel.js";
const m=64,n=24;
const grid = makeGrid({nodes:n,halfThickness_m:Array.from({length:m},(_, j)=>0.0005+0.0025*j/m),columnHeight_m:0.04/m});
const face=constantBoundary(2000,50);
const sur={faces:Array.from({length:m},()=>face),foot:face,top:face};
let idx=0;const stag=Number(process.env.STAG??576);const buf=new ArrayBuffer(16*(m*n*8+8192));
const fa=(v:number)=>{const o=idx*(Math.ceil(m*n*8/4096)*4096+stag);idx++;return new Float64Array(buf,o,m*n).fill(v)};
const f={temperature_C:fa(800),conductivity_W_mK:fa(25),volumeHeat_J_m3K:fa(5e6),released_J_m3:fa(0)};
const k0=makeConductionKernel(grid);const k={...k0,band:fa(0),through:fa(0),cell_m:fa(0)};k.through.set(k0.through);k.cell_m.set(k0.cell_m);const out=new Float64Array(4);
for(let z=0;z<4;z++){
for(let r=0;r<1500;r++){ if(r%300===0)f.temperature_C.fill(800); conductQuickly(k,f,sur,0.01,out);}
const t=process.cpuUsage();for(let r=0;r<4000;r++){if(r%300===0)f.temperature_C.fill(800);conductQuickly(k,f,sur,0.01,out);}
const u=process.cpuUsage(t);console.log((u.user*1e3/4000/m/n).toFixed(2),'ns/node both sweeps');}
