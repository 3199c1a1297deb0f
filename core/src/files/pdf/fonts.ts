/** Fonts of printed pages: one for the letters of Europe, and one each for what it lacks. */
export const fontFiles = {
  plain: 'dejavu-fonts-ttf/ttf/DejaVuSansCondensed.ttf',
  japanese: '@expo-google-fonts/kosugi/Kosugi_400Regular.ttf',
  chinese: '@expo-google-fonts/zcool-kuaile/400Regular/ZCOOLKuaiLe_400Regular.ttf',
  korean: '@expo-google-fonts/gowun-dodum/400Regular/GowunDodum_400Regular.ttf',
} as const;

export type FontName = keyof typeof fontFiles;

/** Where a font is read from: a file of a package, or what the server serves. */
export type FontSource = (name: FontName) => Promise<Uint8Array>;

/** Unicode scripts, and the fonts that may hold their letters. */
const holders: [RegExp, FontName[]][] = [
  [
    /[\p{Script=Han}\p{Script=Hiragana}\p{Script=Katakana}\u3000-\u303f\uff00-\uffef]/u,
    ['japanese', 'chinese'],
  ],
  [/\p{Script=Hangul}/u, ['korean']],
];

/** The fonts a text wants, the plain one first. */
export const fontsFor = (text: string): FontName[] => [
  'plain',
  ...holders.flatMap(([script, names]) => (script.test(text) ? names : [])),
];
