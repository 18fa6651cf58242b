/** A text with headings, lists and tables, as a paper has them; and as Markdown (CommonMark with GitHub's tables). */
import { regionOf } from '../locale';

export type Block =
  | { type: 'text'; text: string; strong?: boolean }
  | { type: 'list'; items: readonly string[] }
  /** Photographs by their ids, which a bundle's files go by too. */
  | { type: 'pictures'; items: readonly { id: string; caption: string }[] }
  | { type: 'table'; columns: readonly string[]; rows: readonly (readonly string[])[] };

export interface Section {
  title: string;
  blocks: readonly Block[];
  /** Begins a page of its own, where there are pages. */
  apart?: boolean;
}

/** Sheets that papers are made for. */
export type PaperSize = 'letter' | 'a4';

/** Where paper is US Letter: CLDR's paperSize data, from memory. */
const LETTER = 'BZ CA CL CO CR GT MX NI PA PH PR SV US VE'.split(' ');

/**
 * The sheet that is usual where a person is.
 *
 * @param locale - BCP 47 tag.
 */
export function paperSizeOf(locale: string): PaperSize {
  return LETTER.includes(regionOf(locale)) ? 'letter' : 'a4';
}

export interface Paper {
  title: string;
  /** What it is about, line by line. */
  under: readonly string[];
  sections: readonly Section[];
}

/** What has a meaning in Markdown is meant as it stands. */
const plain = (text: string): string =>
  text
    .replace(/\s*\n\s*/g, ' ')
    .replace(/[\\`*_{}[\]<>#|~&!]/g, '\\$&')
    .replace(/^(\d+)([.)])/, '$1\\$2')
    .replace(/^([-+=:])/, '\\$1');

function blockLines(block: Block): string[] {
  switch (block.type) {
    case 'text':
      return [block.strong ? `**${plain(block.text)}**` : plain(block.text), ''];
    case 'list':
      return [...block.items.map((item) => `- ${plain(item)}`), ''];
    case 'pictures':
      return [...block.items.map(({ id, caption }) => `- ${plain(caption)} (photographs/${id}.jpg)`), ''];
    case 'table':
      return [
        `| ${block.columns.map(plain).join(' | ')} |`,
        `|${block.columns.map(() => ' --- |').join('')}`,
        ...block.rows.map((row) => `| ${row.map(plain).join(' | ')} |`),
        '',
      ];
  }
}

export const paperMarkdown = ({ title, under, sections }: Paper): string =>
  [
    `# ${plain(title)}`,
    '',
    ...under.flatMap((line) => [plain(line), '']),
    ...sections.flatMap((section) => [
      `## ${plain(section.title)}`,
      '',
      ...section.blocks.flatMap(blockLines),
    ]),
  ].join('\n');
