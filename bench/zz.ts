import { buildPyramid, createPlane, inkRows, pictureSource, NO_TONE, type Picture } from '@brachytone/core';
import { newProcess, PRINTING_CONDITIONS, PROCESS_IDS, processInks } from '@brachytone/job';
const width=6480,height=4860;
const data=new Uint8Array(width*height*3);
for(let y=0,i=0;y<height;y++)for(let x=0;x<width;x++,i+=3){data[i]=128+90*Math.sin(x/210);data[i+1]=128+90*Math.cos(y/170);data[i+2]=(x+y)/9&255;}
const picture:Picture={width,height,channels:3,data};
const [c]=PRINTING_CONDITIONS; const p=processInks(c); const press={stock:c.stock,inks:p.inks,overprints:p.overprints};
const route=newProcess(PROCESS_IDS,300);
let t=performance.now(); inkRows(pictureSource(picture,1,300),NO_TONE,route,'cyan',press,undefined,true)!.row(0); console.log('quick table + first band',(performance.now()-t).toFixed(0));
t=performance.now(); inkRows(pictureSource(picture,1,300),NO_TONE,route,'cyan',press,undefined,false)!.row(0); console.log('fine table + first band',(performance.now()-t).toFixed(0));
for(let pass=0;pass<2;pass++){ t=performance.now(); const rows=['cyan','magenta','yellow','black'].map(i=>inkRows(pictureSource(picture,1,300),NO_TONE,route,i,press,undefined,false)!); let s=0; for(let y=0;y<height;y+=64) for(const r of rows) s+=r.row(y)[5]; const ms=performance.now()-t; console.log('separate',ms.toFixed(0),(width*height/1e3/ms).toFixed(1),'Mpx/s',s);}
