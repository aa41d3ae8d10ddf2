/**
 * Notices that a visitor may close. What was closed is left out before anything is drawn, so that nothing jumps: this
 * one runs at once, and not when the page has been read.
 */
export const NOTICE = `(()=>{
let closed=[];try{closed=JSON.parse(localStorage.getItem('of-closed'))||[]}catch{}
const sheet=new CSSStyleSheet();
const hide=k=>/^\\w+$/.test(k)&&sheet.insertRule('[data-notice="'+k+'"]{display:none!important}');
closed.forEach(hide);document.adoptedStyleSheets=[...document.adoptedStyleSheets,sheet];
addEventListener('DOMContentLoaded',()=>document.querySelectorAll('[data-notice]>button').forEach(b=>{
b.hidden=false;
b.onclick=()=>{const k=b.parentNode.dataset.notice;hide(k);
try{localStorage.setItem('of-closed',JSON.stringify([...closed,k].slice(-50)))}catch{}
closed.push(k);document.getElementById('main').focus()}}))})()`
