/** Slides are stepped by buttons, and run by themselves until stopped, touched or looked at; never where rest is asked for. */
export const SLIDES = `(()=>{
const calm=matchMedia('(prefers-reduced-motion:reduce)').matches;
for(const show of document.querySelectorAll('.of-slides')){
const list=show.querySelector('ol'),bar=show.querySelector('.of-slides-go'),n=list.children.length;
if(!bar)continue;bar.hidden=false;
const go=by=>{const at=Math.round(list.scrollLeft/list.clientWidth);
list.scrollTo({left:((at+by+n)%n)*list.clientWidth,behavior:calm?'auto':'smooth'})};
let timer;const pause=bar.querySelector('[data-go=stop]');
const say=(sign,words)=>{if(pause){pause.textContent=sign;pause.ariaLabel=pause.dataset[words]}};
const stop=()=>{clearInterval(timer);timer=0;say('►','run')};
const run=()=>{timer=setInterval(()=>show.matches(':hover,:focus-within')||go(1),show.dataset.seconds*1000);say('❚❚','stop')};
bar.onclick=e=>{const w=e.target.closest('button');if(!w)return;
if(w===pause)timer?stop():run();else{stop();go(+w.dataset.go)}};
list.addEventListener('pointerdown',stop);
if(pause)calm?stop():run()}})()`
