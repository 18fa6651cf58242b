import { englishOf } from '.';

// Regions by the likely subtags of Unicode CLDR.
test.each([
  ['en', 'en-US'],
  ['en-GB', 'en-GB'],
  ['fr', 'en-FR'],
  ['es-MX', 'en-MX'],
  ['en-US@posix', 'en-US'],
  ['', 'en-US'],
])('where a browser says "%s" English is written as %s', (locale, english) => {
  expect(englishOf(locale)).toBe(english);
});
