export const CLIENT_STYLE = `
body{margin:0;font:17px/1.45 system-ui,sans-serif;color:#17302f;background:#f6f2e7}
header,main,footer{max-width:860px;margin:0 auto;padding:12px 16px}
h1{font-size:26px;margin:0}h2{font-size:19px;margin:30px 0 6px;border-top:2px solid #17302f;padding-top:8px}
header p{margin:2px 0;color:#4b5d5a}.pictures{display:grid;grid-template-columns:repeat(auto-fit,minmax(280px,1fr));gap:10px}
.pictures img{width:100%;background:#fffdf6;border:1px solid #b9c4bf}
figure{margin:10px 0;position:relative}figcaption{font-weight:600;font-size:15px}
figure svg{width:100%;height:auto;max-height:440px;background:#fffdf6;border:1px solid #b9c4bf;cursor:crosshair;touch-action:manipulation}
figure .mark{fill:none;stroke:#b3261e}figure .mark text{fill:#b3261e;stroke:none}
table{border-collapse:collapse;width:100%;background:#fffdf6}td,th{border:1px solid #d5d6c8;padding:6px 8px;text-align:left;vertical-align:top;font-size:15px}
.n{text-align:right;white-space:nowrap}.sum td{font-weight:700;font-size:17px}.over{color:#a3271d;font-weight:700}.unknown{color:#5a4a8a;font-weight:700}.near{color:#8a5300;font-weight:700}.clear{color:#1c6b3c;font-weight:700}
label{display:block;margin:10px 0}label.choice{display:flex;gap:8px;align-items:center;min-height:44px;margin:0}
label.choice input{width:22px;height:22px}
input:not([type=radio]),textarea{display:block;box-sizing:border-box;width:100%;min-height:46px;font:inherit;padding:8px;border:1px solid #5c6f6b;background:#fff}
small{color:#4b5d5a;font-size:14px}fieldset{border:1px solid #b9c4bf;margin:12px 0}.quiet{color:#4b5d5a;font-size:15px}
#marks li{display:grid;grid-template-columns:1fr auto;gap:8px;margin:8px 0}#marks button{width:auto;min-height:46px;background:none;color:#17302f;border:1px solid #5c6f6b;padding:0 12px}
#verdict{font-weight:700;font-size:18px;white-space:pre-line}
footer{position:sticky;bottom:0;background:#f6f2e7;border-top:2px solid #17302f}
button{font:inherit;font-weight:600;width:100%;min-height:50px;background:#0d5c63;color:#fff;border:0}
:focus-visible{outline:3px solid #0d5c63;outline-offset:2px}
@media (max-width:480px){td,th{padding:4px 5px;font-size:14px}.n{white-space:normal}}
@media print{footer,#marks button{display:none}}
`

/**
 * Plain script, since the page travels as one file: marks where a finger pressed, today's load held against what was reckoned, and the answer as a file. What is
 * typed stays on the device until it is saved.
 */
export const CLIENT_SCRIPT = `
const KEY='tide-line-client:'+F.design,at=(id)=>document.getElementById(id),marks=[],NS='http://www.w3.org/2000/svg';
const say=(t)=>{at('said').textContent=t};
const agrees=()=>document.querySelector('[name=agrees]:checked').value==='yes';
const keep=()=>{try{localStorage.setItem(KEY,JSON.stringify({who:at('who').value,note:at('note').value,agrees:agrees(),marks}))}catch{say('This device does not keep what you type: save before you close the page.')}};
const make=(name,props)=>{const e=document.createElementNS(NS,name);for(const k in props)e.setAttribute(k,props[k]);return e};
function draw(){document.querySelectorAll('.mark').forEach(m=>m.remove());
marks.forEach((m,i)=>{const svg=document.querySelector('[data-view='+m.view+'] svg'),r=svg.viewBox.baseVal.width/45,g=make('g',{class:'mark','stroke-width':r/5});
g.append(make('circle',{cx:m.xMm,cy:-m.yMm,r}));const t=make('text',{x:m.xMm+1.3*r,y:-m.yMm-0.6*r,'font-size':2*r});t.textContent=i+1;g.append(t);svg.append(g)});
const list=at('marks');list.textContent='';marks.forEach((m,i)=>{const li=document.createElement('li'),input=document.createElement('input'),drop=document.createElement('button');
input.value=m.says;input.maxLength=500;input.setAttribute('aria-label','Mark '+(i+1)+', '+m.view);input.placeholder='Mark '+(i+1)+', '+m.view+': what do you want there?';
input.addEventListener('input',()=>{m.says=input.value;keep()});drop.type='button';drop.textContent='Take away';drop.addEventListener('click',()=>{marks.splice(i,1);draw();keep()});li.append(input,drop);list.append(li)})}
document.querySelectorAll('figure').forEach(f=>{const svg=f.querySelector('svg');svg.addEventListener('click',(e)=>{if(marks.length>=40){say('40 marks at most.');return}
const p=new DOMPoint(e.clientX,e.clientY).matrixTransform(svg.getScreenCTM().inverse());marks.push({view:f.dataset.view,xMm:Math.round(p.x),yMm:Math.round(-p.y)||0,says:''});draw();keep();at('marks').lastElementChild.querySelector('input').focus()})});
const loads=[...document.querySelectorAll('.today')];
function judge(){const lines=[];let worst='clear';const worse=(s)=>{if(s==='over'||worst==='clear')worst=s};let any=false;
for(const f of loads){const typed=f.value.trim().replace(',','.');if(!typed)continue;any=true;const n=Number(typed);
if(!Number.isFinite(n)||n<0){worse('not assessed');lines.push(f.dataset.name+': '+typed+' is no mass: type a number in '+F.unit);continue}
if(f.dataset.most===''){worse('not assessed');lines.push(f.dataset.name+': nobody weighed it when this was reckoned: not assessed');continue}
if(n/F.perKg>Number(f.dataset.most)+1e-9){worse('over');lines.push(f.dataset.name+': more than was reckoned')}}
if(at('else').value.trim()){any=true;worse('not assessed');lines.push('Something else was not agreed: not assessed. It goes into your answer as a question.')}
at('verdict').textContent=!any?'':(worst==='clear'?(F.open?'Within what was reckoned, but '+F.open+' points are still open: ask the shop first.':'As reckoned, held as it is listed above.'):worst==='over'?'Over: take something off.':'Not assessed: ask the shop first.')+(lines.length?'\\n'+lines.join('\\n'):'')}
for(const f of [...loads,at('else')])f.addEventListener('input',judge);
try{const s=JSON.parse(localStorage.getItem(KEY)||'null');if(s){at('who').value=s.who||'';at('note').value=s.note||'';marks.push(...s.marks||[]);for(const r of document.getElementsByName('agrees'))r.checked=(r.value==='yes')===s.agrees;draw()}}catch{}
document.addEventListener('input',keep);document.addEventListener('change',keep);
at('save').addEventListener('click',()=>{const who=at('who').value.trim(),other=at('else').value.trim();if(!who){say('Type your name first.');at('who').focus();return}
if(marks.some(m=>!m.says.trim())){say('A mark says nothing yet: write what you want there, or take it away.');return}
const note=[at('note').value.trim(),other?'May I also carry: '+other+'?':''].filter(Boolean).join('\\n');
if(!agrees()&&!marks.length&&!note){say('Nothing to send yet: say what is not right, mark it on a drawing, or agree.');return}
const text=JSON.stringify({format:'tide-line/client-answer',version:1,title:F.title,revision:F.revision,design:F.design,who,at:new Date().toISOString(),agrees:agrees(),note:note.slice(0,2000),marks:marks.map(m=>({...m,says:m.says.trim()}))});
const a=document.createElement('a');a.href=URL.createObjectURL(new Blob([text],{type:'application/json'}));a.download='client-answer.json';a.click();say('Saved as client-answer.json. Send that file back to the shop.')});
`
