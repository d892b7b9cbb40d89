import { drawMeasuringSheet } from '../../core/drawing/measuringSheet'
import { escapeXml, toSvg } from '../../core/drawing/toSvg'
import { MOST_CLIENT_PHOTOS } from '../../core/exchange/clientAnswers'
import type { Job } from '../../core/job/job'
import { letterOf, type MeasuringSheet } from '../../core/measure/sheets'

/**
 * One page that a client far away opens on a phone without any network: the sheets with their drawings, a field a figure, photographs.
 * What was typed stays on his device until he saves the answer file and sends it back.
 */
export function clientFormHtml(job: Job, sheets: MeasuringSheet[]): string {
  const places = sheets
    .map(
      (sheet) => `<section><h2>${escapeXml(sheet.title)}</h2><p>${escapeXml(sheet.hint)}</p>
${toSvg(drawMeasuringSheet(sheet, job.vehicle, job.units, true), job.units, 22)}
${sheet.quantities.map((q) => field(sheet, q.id, q.label, q.datum, q.dimension)).join('\n')}</section>`,
    )
    .join('\n')
  return `<!doctype html>
<html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1">
<meta http-equiv="Content-Security-Policy" content="default-src 'none'; style-src 'unsafe-inline'; script-src 'unsafe-inline'; img-src data: blob:">
<title>${escapeXml(job.title)}: measuring form</title><style>${STYLE}</style></head>
<body><header><h1>Measuring form</h1><p>${escapeXml(job.title)}, ${escapeXml(job.vehicle.name)}</p></header>
<main><p>Measure what you can reach with both feet on the ground or a firm step; leave the rest empty. What you type stays on this device.</p>
<label>Your name<input id="who" autocomplete="name" maxlength="80"></label>
<fieldset><legend>Your tape reads</legend>
<label class="choice"><input type="radio" name="system" value="metric"${job.units.system === 'metric' ? ' checked' : ''}>millimetres</label>
<label class="choice"><input type="radio" name="system" value="inch"${job.units.system === 'inch' ? ' checked' : ''}>inches, such as 61 5/8</label></fieldset>
${places}
<section><h2>Photographs</h2><p>Each side of the vehicle, the roof edge, and anything already up there. ${MOST_CLIENT_PHOTOS} at most.</p>
<input id="photos" type="file" accept="image/*" multiple aria-label="Photographs"><div id="thumbs"></div></section>
<label>Anything else<textarea id="note" rows="3" maxlength="2000"></textarea></label></main>
<footer><button id="save" type="button">Save the answer file</button><p id="said" role="status"></p></footer>
<script>const TITLE=${JSON.stringify(job.title).replace(/</g, '\\u003c')},MOST=${MOST_CLIENT_PHOTOS};${SCRIPT}</script></body></html>
`
}

const field = (sheet: MeasuringSheet, id: string, label: string, datum: string, dimension: string): string =>
  `<label><span><b>${letterOf(sheet, id)}</b> ${escapeXml(label)} <small>${escapeXml(datum)}${dimension === 'angle' ? ', degrees' : dimension === 'mass' ? ', kg' : dimension === 'force' ? ', N' : ''}</small></span><input data-id="${escapeXml(id)}" maxlength="60" inputmode="text" autocomplete="off"></label>`

const STYLE = `
body{margin:0;font:17px/1.4 system-ui,sans-serif;color:#17302f;background:#f6f2e7}
header,main,footer{max-width:640px;margin:0 auto;padding:12px 16px}
h1{font-size:22px;margin:0}h2{font-size:19px;margin:28px 0 4px;border-top:2px solid #17302f;padding-top:8px}
svg{width:100%;max-height:300px;background:#fffdf6;border:1px solid #b9c4bf}
label{display:block;margin:10px 0}label.choice{display:flex;gap:8px;align-items:center;min-height:44px;margin:0}
label.choice input{width:22px;height:22px}
input:not([type=radio]),textarea{display:block;box-sizing:border-box;width:100%;min-height:46px;font:inherit;padding:8px;border:1px solid #5c6f6b;background:#fff}
small{color:#4b5d5a;font-size:15px}fieldset{border:1px solid #b9c4bf;margin:12px 0}
#thumbs{display:grid;grid-template-columns:repeat(4,1fr);gap:6px;margin-top:8px}#thumbs img{width:100%;height:70px;object-fit:cover}
footer{position:sticky;bottom:0;background:#f6f2e7;border-top:2px solid #17302f}
button{font:inherit;font-weight:600;width:100%;min-height:50px;background:#0d5c63;color:#fff;border:0}
`

/** Plain script, since the page travels as one file: keeps what is typed, makes pictures small, writes the answer file. */
const SCRIPT = `
const KEY='tide-line-answers:'+TITLE,fields=[...document.querySelectorAll('[data-id]')],at=(id)=>document.getElementById(id),photos=[];
const state=()=>({who:at('who').value,note:at('note').value,system:document.querySelector('[name=system]:checked').value,typed:Object.fromEntries(fields.filter(f=>f.value.trim()).map(f=>[f.dataset.id,f.value.trim()]))});
const say=(t)=>{at('said').textContent=t};
const keep=()=>{try{localStorage.setItem(KEY,JSON.stringify(state()))}catch{say('This device does not keep what you type: save before you close the page.')}};
try{const s=JSON.parse(localStorage.getItem(KEY)||'null');if(s){at('who').value=s.who||'';at('note').value=s.note||'';for(const r of document.getElementsByName('system'))r.checked=r.value===s.system;for(const f of fields)f.value=s.typed[f.dataset.id]||''}}catch{}
document.addEventListener('input',keep);
at('photos').addEventListener('change',async(e)=>{for(const file of e.target.files){if(photos.length>=MOST){say(MOST+' photographs at most.');break}
try{const image=await createImageBitmap(file),k=Math.min(1,1400/Math.max(image.width,image.height)),c=document.createElement('canvas');c.width=image.width*k;c.height=image.height*k;c.getContext('2d').drawImage(image,0,0,c.width,c.height);
const url=c.toDataURL('image/jpeg',0.75);photos.push({name:file.name.slice(0,120)||'photo',type:'image/jpeg',base64:url.slice(url.indexOf(',')+1)});const i=new Image();i.src=url;i.alt=file.name;at('thumbs').append(i)}catch{say(file.name+' is no picture this device can read.')}}e.target.value=''});
at('save').addEventListener('click',async()=>{const s=state(),readings=Object.entries(s.typed).map(([id,typed])=>({id,typed}));
if(!readings.length&&!photos.length){say('Nothing to save yet: fill in one figure or add a photograph.');return}
const text=JSON.stringify({format:'tide-line/answers',version:1,title:TITLE,who:s.who.trim(),at:new Date().toISOString().slice(0,16),system:s.system,note:s.note,readings,photos});
const a=document.createElement('a');a.href=URL.createObjectURL(new Blob([text],{type:'application/json'}));a.download='measuring-answers.json';a.click();
say(readings.length+' figures and '+photos.length+' photographs saved as measuring-answers.json. Send that file back to the shop.')});
`
