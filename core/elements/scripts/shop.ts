/**
 * The checkout follows what is typed: totals, ways and fields of a country come as the page itself would say them, and
 * what is wrong is told at the field that was left. Without script the same is there at the press of a button.
 */
export const SHOP = `(()=>{
const form=document.getElementById('of-shop');if(!form)return;
document.documentElement.classList.add('of-scripted');
const left=new Set();let calls=0;
const at=(d,n)=>d.getElementById('of-'+n);
const mend=d=>{for(const n of left){const a=at(document,n),b=at(d,n);if(!a||!b)continue;
const box=a.closest('.of-question'),next=b.closest('.of-question');if(!box||!next)continue;
for(const k of['aria-invalid','aria-describedby'])b.hasAttribute(k)?a.setAttribute(k,b.getAttribute(k)):a.removeAttribute(k);
box.querySelector('.of-problem')?.remove();const p=next.querySelector('.of-problem');if(p)box.append(p)}};
const take=(d,whole)=>{const focus=document.activeElement&&document.activeElement.id;
for(const a of document.querySelectorAll('[data-shop]')){const k=a.dataset.shop;
if(!whole.includes(k))continue;const b=d.querySelector('[data-shop="'+k+'"]');if(b)a.replaceWith(b)}
const f=focus&&document.getElementById(focus);if(f&&f!==document.activeElement)f.focus()};
document.addEventListener('change',async e=>{const t=e.target;if(t.form!==form||t.name==='code')return;
const data=new URLSearchParams(new FormData(form));data.set('does','look');left.add(t.name);
const call=++calls;form.ariaBusy='true';
try{const r=await fetch(location,{method:'POST',body:data});if(call!==calls)return;
const d=new DOMParser().parseFromString(await r.text(),'text/html');if(!d.getElementById('of-shop'))return;
const moved=/country$|^d\\.same$/.test(t.name),counted=/^n\\./.test(t.name);
take(d,['sums','way','saved',...(moved?['billing','delivery']:[]),...(t.name==='way'?['delivery']:[]),...(counted?['lines','delivery']:[])]);
mend(d)}catch{}finally{if(call===calls)form.ariaBusy=null}})})()`
