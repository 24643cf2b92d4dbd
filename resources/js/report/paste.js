// Pasted HTML without what the policy of the page blocks: a miss costs a line in the console, since the parts of a report
// keep nothing of it anyway. Bold that is only a style becomes an element.
const TAG = /<[a-z](?:[^>"']|"[^"]*"|'[^']*')*>/gi;
const STYLE = /\s(?:style|on[a-z]+)\s*=\s*(?:"[^"]*"|'[^']*'|[^\s>]+)/gi;
const BOLD = /<span\b[^>]*font-weight:\s*(?:bold|[6-9]00)[^>]*>([\s\S]*?)<\/span>/gi;

export const calm = (html) =>
    html
        .replace(/<(style|script|title)\b[\s\S]*?<\/\1\s*>/gi, '')
        .replace(/<\/?(?:style|script|object|embed|link|meta|base|iframe|img|svg)\b[^>]*>/gi, '')
        .replace(BOLD, '<b>$1</b>')
        .replace(TAG, (tag) => tag.replace(STYLE, ''));
