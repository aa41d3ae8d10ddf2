/**
 * What may be meant is offered while somebody types, in the platform's own list of the field; a title that is chosen
 * leads to its page. The answer is that of OpenSearch suggestions: words, titles, descriptions, addresses.
 */
export const SUGGEST = `(()=>{
for(const field of document.querySelectorAll('[data-suggest]')){
const list=document.createElement('datalist');list.id=field.dataset.suggest;
field.after(list);field.setAttribute('list',list.id);field.autocomplete='off';
let timer,asked='',at={};
field.addEventListener('input',e=>{const to=at[field.value];
if(to&&e.inputType!=='insertText'&&e.inputType!=='deleteContentBackward'){location.href=to;return}
clearTimeout(timer);timer=setTimeout(async()=>{const words=field.value.trim();
if(words.length<2||words===asked)return;asked=words;
try{const [said,titles,about,to]=await(await fetch('/_of/suggest?q='+encodeURIComponent(words))).json();
if(said!==asked)return;at={};
list.replaceChildren(...titles.map((t,i)=>{at[t]=new URL(to[i]).pathname;return Object.assign(document.createElement('option'),{value:t,label:about[i]})}))
}catch{}},160)})}})()`
