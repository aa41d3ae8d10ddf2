/**
 * A picture that is pressed is shown large, with those beside it: in a dialog that Esc closes, stepped by arrows and
 * buttons, swiped by the platform itself. Without script the link leads to the picture's file.
 */
export const LARGE = `(()=>{
let box,list,at,set;const calm=matchMedia('(prefers-reduced-motion:reduce)').matches;
const make=(tag,more)=>Object.assign(document.createElement(tag),more);
const go=(to,how)=>{const n=list.children.length;list.scrollTo({left:((to+n)%n)*list.clientWidth,behavior:how||(calm?'auto':'smooth')})};
const now=()=>Math.round(list.scrollLeft/list.clientWidth);
const open=(from,links)=>{const s=from.dataset;
box=make('dialog',{className:'of-large',ariaLabel:s.name});list=make('ol',{tabIndex:0});
const told=make('p',{}),bar=make('div',{});told.setAttribute('aria-live','polite');
const tell=()=>{told.textContent=now()+1+' / '+links.length};
const button=(sign,name,act)=>bar.append(make('button',{type:'button',textContent:sign,ariaLabel:name,onclick:act}));
bar.append(told);if(links.length>1){button('‹',s.previous,()=>go(now()-1));button('›',s.next,()=>go(now()+1))}
button('✕',s.close,()=>box.close());
for(const a of links){const li=make('li',{}),p=a.firstElementChild.cloneNode(true),c=a.parentNode.querySelector('figcaption');
for(const e of [p,...p.querySelectorAll('*')]){if(e.sizes!==undefined)e.sizes='100vw';if(e.loading)e.loading='lazy'}
li.append(p);if(c)li.append(make('span',{textContent:c.textContent}));list.append(li)}
box.append(list,bar);document.body.append(box);
list.onscroll=tell;box.onclose=()=>box.remove();
box.onkeydown=e=>{const by={ArrowLeft:-1,ArrowRight:1}[e.key];if(by){e.preventDefault();go(now()+by)}};
box.showModal();go(links.indexOf(at),'instant');tell()};
addEventListener('click',e=>{at=e.target.closest&&e.target.closest('[data-large]');
if(!at||e.ctrlKey||e.metaKey||e.shiftKey||e.button)return;
set=at.closest('.of-set');e.preventDefault();open(set,[...set.querySelectorAll('[data-large]')])})})()`
