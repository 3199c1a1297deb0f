/** Control characters that neither XML 1.0, RFC 5545 nor DXF allows in words become blanks. */
export const withoutControls = (text: string): string => text.replace(/(?![\t\n\r])\p{Cc}/gu, ' ');

/** The same on one line. */
export const oneLine = (text: string): string => withoutControls(text).replace(/[\r\n\t]+/g, ' ');
