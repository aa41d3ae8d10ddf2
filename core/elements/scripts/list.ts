/**
 * Lists that are narrowed and leafed through without a reload: what a form or a link asks for is fetched, and the forms and
 * lists of the page take the places of those that stand there; a link to more adds to its list. Where that fails the page
 * is gone to.
 */
export const LIST = `(()=>{
let last=0,stop;
const parts=d=>[...d.querySelectorAll('[data-filters],[data-list]')];
const go=(url,more,push)=>{const now=++last;stop?.abort();stop=new AbortController();
const here=parts(document);
fetch(url,{signal:stop.signal}).then(r=>{if(!r.ok)throw 0;url=r.url;return r.text()}).then(t=>{if(now!==last)return;
const there=parts(new DOMParser().parseFromString(t,'text/html'));
if(there.length!==here.length)throw 0;
const at=document.activeElement,key=at?.form&&[at.name,at.value,at.type];
here.forEach((e,i)=>{const n=there[i];
if(more&&e.contains(more)){const of=l=>l.querySelector(':scope>.of-grid,:scope>.of-uneven,:scope>.of-parted,tbody'),from=of(e),add=of(n),first=add.firstElementChild;
from.append(...add.children);e.querySelector('nav').replaceWith(n.querySelector('nav')||'');first?.querySelector('a')?.focus()}
else if(!more){e.querySelectorAll('details[open]').forEach((d,k)=>n.querySelectorAll('details')[k]?.setAttribute('open',''));e.replaceWith(n)}});
if(key)for(const f of document.querySelectorAll('[data-filters] [name]'))if(f.name===key[0]&&f.type===key[2]&&(f.type!=='checkbox'||f.value===key[1])){f.focus();if(f.type==='search')f.setSelectionRange(f.value.length,f.value.length)}
if(push)history.pushState({},'',url)}).catch(e=>{if(e?.name!=='AbortError')location.href=url})};
const ask=f=>{const q=new URLSearchParams;for(const[k,v]of new FormData(f))if(v!=='')q.append(k,v);const s=q.toString();return f.action.split('?')[0]+(s?'?'+s:'')};
const own=f=>new URL(f.action).pathname===location.pathname;
document.addEventListener('submit',e=>{const f=e.target;if(f.matches('[data-filters]')&&own(f)){e.preventDefault();go(ask(f),0,1)}});
let wait;
document.addEventListener('input',e=>{const f=e.target.form;if(!f?.matches('[data-filters]')||!own(f))return;
clearTimeout(wait);wait=setTimeout(()=>go(ask(f),0,1),/checkbox|select/.test(e.target.type)?0:400)});
document.addEventListener('click',e=>{if(e.ctrlKey||e.metaKey||e.shiftKey)return;
const a=e.target.closest('[data-more],.of-chosen a');if(!a||a.pathname!==location.pathname)return;
e.preventDefault();go(a.href,a.matches('[data-more]')?a:0,!a.matches('[data-more]'))});
addEventListener('popstate',()=>go(location.href,0,0))})()`
