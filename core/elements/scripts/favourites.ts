/**
 * What a visitor marks is kept in their browser, by the ids of entries. Buttons mark and tell; counts tell how many; a
 * list of favourites is fetched from the page that it stands on, asked for what is marked.
 */
export const FAVOURITES = `(()=>{
const KEY='of-favourites',all=s=>document.querySelectorAll(s);
const read=()=>{try{const l=JSON.parse(localStorage.getItem(KEY));return Array.isArray(l)?l.filter(i=>typeof i==='string').slice(0,200):[]}catch{return[]}};
const show=async()=>{const marks=read();
for(const b of all('[data-favourite]')){const on=marks.includes(b.dataset.favourite);b.hidden=false;b.ariaPressed=on;
b.querySelector('[data-label]').textContent=on?b.dataset.marked:b.dataset.mark}
for(const n of all('[data-favourites-count]')){n.textContent=marks.length||'';n.hidden=!marks.length}
const list=document.querySelector('[data-favourites]'),u=new URL(location);
if(!list||u.searchParams.has('marked'))return;u.searchParams.set('marked',marks.join(' '));
try{const d=new DOMParser().parseFromString(await(await fetch(u)).text(),'text/html').querySelector('[data-favourites]');
if(d)list.replaceChildren(...d.childNodes)}catch{}for(const b of list.querySelectorAll('[data-favourite]'))b.hidden=false};
addEventListener('click',e=>{const b=e.target.closest&&e.target.closest('[data-favourite]');if(!b)return;
const id=b.dataset.favourite,marks=read(),at=marks.indexOf(id);at<0?marks.unshift(id):marks.splice(at,1);
try{localStorage.setItem(KEY,JSON.stringify(marks.slice(0,200)))}catch{}show()});
addEventListener('storage',e=>{if(e.key===KEY)show()});show()})()`
