/** Text as it is let in: no control characters but line ends and tabs, no half of a character. */

const CONTROL = /[\u0000-\u0008\u000b\u000c\u000e-\u001f\u007f]/g;
/** Halves of a character that have no other half. */
const LONE = /[\ud800-\udbff](?![\udc00-\udfff])|(?<![\ud800-\udbff])[\udc00-\udfff]/g;

export const cleanText = (text: string): string => text.replace(CONTROL, '').replace(LONE, '\ufffd');

/** JSON with every text in it cleaned. Throws as JSON.parse does. */
export const parseClean = (json: string): unknown =>
  JSON.parse(json, (_, value: unknown) => (typeof value === 'string' ? cleanText(value) : value));
