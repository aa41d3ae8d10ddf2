/** A film of the site takes the place of its still once that is pressed. */
export const FILM = `document.addEventListener('click',e=>{
const a=e.target.closest('[data-film]');if(!a||e.ctrlKey||e.metaKey||e.shiftKey)return;
e.preventDefault();
const v=document.createElement('video'),still=a.querySelector('img');
v.controls=v.autoplay=true;v.src=a.href;if(still)v.poster=still.currentSrc;
a.replaceWith(v);v.focus()})`
