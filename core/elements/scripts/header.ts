/**
 * Rows of a header that turn as the page is scrolled: what is laid over an opening picture is held at the top and takes
 * other colours once the picture has gone; what hides goes on the way down and returns on the way up. Nothing is
 * measured before somebody scrolls.
 */
export const HEADER = `(()=>{
let rows,last=0;
const first=document.querySelector('main .of-row');
const measure=()=>[...document.querySelectorAll('header>.of-over,header>.of-hides,header>.of-turns')].map(r=>{
const has=c=>r.classList.contains('of-'+c),above=r.previousElementSibling;
return{r,over:has('over'),hides:has('hides'),stays:getComputedStyle(r).getPropertyValue('--stays'),from:above?above.getBoundingClientRect().bottom+scrollY:0}});
addEventListener('scroll',()=>{const y=scrollY;
for(const{r,over,hides,stays,from}of rows??=measure()){
const set=(c,on)=>r.classList.toggle('of-'+c,on);
if(over&&stays)set('fixed',y>from);
set('scrolled',over?stays&&first&&first.getBoundingClientRect().bottom<r.offsetHeight:y>from);
if(hides&&Math.abs(y-last)>4)set('away',y>last&&y>from+r.offsetHeight)}
if(Math.abs(y-last)>4)last=y},{passive:true})})()`
