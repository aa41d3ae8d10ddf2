/**
 * Menus with lists that drop down: arrows go from link to link, Esc closes and gives the focus back, one is open at a
 * time, and none stays open behind a hand that has gone elsewhere. Without it they open by hand, pointer and focus.
 */
export const MENU = `(()=>{
for(const nav of document.querySelectorAll('.of-drops')){
nav.dataset.on='';
const open=()=>[...nav.querySelectorAll('details[open]')];
const close=but=>open().forEach(d=>d.parentNode.contains(but)||(d.open=false));
const links=ul=>[...ul.children].map(li=>li.querySelector('a,summary'));
nav.addEventListener('toggle',e=>e.target.open&&close(e.target),true);
addEventListener('pointerdown',e=>nav.contains(e.target)||close(null));
nav.addEventListener('focusout',e=>nav.contains(e.relatedTarget)||!e.relatedTarget||close(null));
nav.addEventListener('keydown',e=>{
const li=e.target.closest('li');if(!li)return;
const ul=li.parentNode,d=li.querySelector(':scope>details'),up=ul.closest('li');
const go=n=>{const all=links(ul);all[(all.indexOf(links(ul).find(l=>li.contains(l)))+n+all.length)%all.length].focus()};
const into=()=>{d.open=true;links(li.querySelector(':scope>ul'))[0].focus()};
const out=()=>{up.querySelector(':scope>details').open=false;up.querySelector('a,summary').focus()};
const top=!up,k=e.key;
if(k==='Escape'){const last=open().pop();if(!last)return;last.open=false;last.firstChild.focus()}
else if(k===(top?'ArrowRight':'ArrowDown'))go(1);
else if(k===(top?'ArrowLeft':'ArrowUp'))go(-1);
else if(d&&k===(top?'ArrowDown':'ArrowRight'))into();
else if(up&&k==='ArrowLeft')out();
else return;
e.preventDefault()})}})()`
