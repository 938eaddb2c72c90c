/**
 * Runs before the page listens: keeps a / or ? that is pressed from the first paint on, so that it is not lost. The page
 * takes it over as soon as it can.
 */
export const EARLY_KEYS = `addEventListener('keydown',function hear(e){
if(document.documentElement.dataset.listens){removeEventListener('keydown',hear);return}
if((e.key==='/'||e.key==='?')&&!/^(INPUT|TEXTAREA|SELECT)$/.test(e.target.tagName)){e.preventDefault();document.documentElement.dataset.early=e.key}
})`;
