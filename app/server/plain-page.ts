/** Text as it may stand in HTML and XML. */
export const escaped = (text: string) => text.replace(/[&<>"']/g, (c) => `&#${c.charCodeAt(0)};`);

/** A page that needs nothing of the larder: no script, no style sheet, no font. */
export function plainPage(title: string, body: string): string {
  return `<!doctype html><html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1"><title>${title}</title><style>
:root{color-scheme:light dark;--paper:#f4ecdf;--ink:#1c2421;--rule:#cfc3aa}@media(prefers-color-scheme:dark){:root{--paper:#121819;--ink:#f4ecdf;--rule:#3a4244}}
body{font:1.15rem/1.5 system-ui,sans-serif;max-width:46rem;margin:3rem auto;padding:0 1.2rem;background:var(--paper);color:var(--ink)}a{color:inherit}
h1{font-size:2rem;line-height:1.2}ul{list-style:none;padding:0}ul>li{display:flex;flex-wrap:wrap;align-items:center;justify-content:space-between;gap:.6rem 1.2rem;padding:.8rem 0;border-top:2px solid var(--rule)}input{font:inherit;min-height:48px;padding:0 .6rem;border:2px solid;border-radius:4px;background:transparent;color:inherit}button{font:inherit;font-weight:650;min-height:48px;padding:.5rem 1rem;border:2px solid;border-radius:4px;background:transparent;color:inherit;cursor:pointer}
ol{padding-left:1.4rem}ol li{margin:.4rem 0}h2{font-size:1.4rem;margin:1.6rem 0 .4rem}h3{font-size:1.15rem;margin:1rem 0 .2rem}summary{min-height:48px;display:flex;align-items:center;cursor:pointer;text-decoration:underline}a.button{display:inline-flex;align-items:center;font-weight:650;min-height:48px;padding:0 1rem;border:2px solid;border-radius:4px;text-decoration:none}code{overflow-wrap:anywhere}</style></head><body><h1>${title}</h1>${body}</body></html>`;
}
