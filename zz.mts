import { plausibleCanner, fill, pass, freshCook, turnFlame } from "./core/canner/index.ts";
const spec = plausibleCanner(16, 9, 701, null);
console.log(spec);
let p = fill(spec); let t0=performance.now();
let phase="warm"; let memo=freshCook(0); let steadyAt=0, atT=0, off=0;
for (let m=0;m<12*200;m++){
  const s=m*5; const g=p.gaugePa/1000;
  let flame=1, top: any="vent-open";
  if (phase==="warm" && p.steamKgS>2.5e-4){phase="vent";steadyAt=s;console.log("steam",s/60)}
  if (phase==="vent"&&s-steadyAt>=600){phase="up";memo=freshCook(s);console.log("weight",s/60,"air",p.airFraction,p.liquidKg)}
  if (phase==="up"||phase==="hold"){top="weight-on";memo=turnFlame(memo,s,g,86);flame=memo.flame; if(phase==="up"&&g>82.7){phase="hold";atT=s;console.log("target",s/60)}}
  if (phase==="hold"&&s-atT>75*60){phase="cool";off=s;console.log("off",s/60,p.liquidKg)}
  if (phase==="cool"){top="weight-on";flame=0;if(g<0){console.log("zero",s/60,(s-off)/60);break}}
  p=pass(spec,p,{flame,top,gust:0},5);
  if (m%60==0) console.log((s/60).toFixed(0),phase,flame.toFixed(2),"T",p.tempC.toFixed(1),"jars",p.jarsC.toFixed(1),"kPa",(p.gaugePa/1000).toFixed(1),"air",p.airFraction.toFixed(4),"g/s",(p.steamKgS*1000).toFixed(2),"w",p.liquidKg.toFixed(2));
}
console.log(performance.now()-t0,"ms");
