import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import ts from 'typescript';
import { describe, expect, it } from 'vitest';
import { root, sourcesIn } from './sources.ts';

/** A figure whose name says what it is in needs no more words. */
const UNIT_NAMED =
  /(volts|amps|ohms|watts|seconds|kelvin|celsius|hertz|farads|degrees|metres|mm2?|mm|minutes|rate|perminute|share|percent|factor|siemens|lumens|duty|fraction|candela|bits|words|count|index|key|id)$/i;
/** A unit, or what has none, said in a comment. */
const UNIT_SAID =
  /(\b(V|A|W|K|s|Hz|mm²?|m|ohms|Ω|S|F|lm|cd|degrees|minutes|°C|J|A²s|hours)(?![A-Za-z])|Ω|°|%|\b(share|times|factor|count|how many|place|number of|index|between 0 and 1|units?|per cent|ratio|rank|flashes a minute|currency|score|kelvin|volts|amps|watts|seconds)\b)/;

interface Exported {
  where: string;
  name: string;
  doc: string;
  throws: boolean;
  figure: boolean;
}

/** The exported functions of a file of the engine, with what is said of them. */
function exportedFunctions(path: string): Exported[] {
  const text = readFileSync(join(root, path), 'utf8');
  const file = ts.createSourceFile(path, text, ts.ScriptTarget.Latest, true);
  return file.statements.filter(ts.isFunctionDeclaration).flatMap((node): Exported[] => {
    if (!node.modifiers?.some((modifier) => modifier.kind === ts.SyntaxKind.ExportKeyword)) return [];
    const doc = ts
      .getJSDocCommentsAndTags(node)
      .map((each) => each.getText())
      .join('\n');
    let throws = false;
    const walk = (inner: ts.Node): void => {
      if (ts.isThrowStatement(inner)) throws = true;
      if (!ts.isFunctionLike(inner)) ts.forEachChild(inner, walk);
    };
    if (node.body) ts.forEachChild(node.body, walk);
    const line = file.getLineAndCharacterOfPosition(node.getStart()).line + 1;
    const figure = node.type?.getText() === 'number';
    return [{ where: `${path}:${line}`, name: node.name?.text ?? '', doc, throws, figure }];
  });
}

const core = sourcesIn('core').filter((path) => /(?<!\.test)\.ts$/.test(path));
const functions = core.flatMap(exportedFunctions);
const places = (wrong: (each: Exported) => boolean) =>
  functions
    .filter(wrong)
    .map(({ where, name }) => `${where} ${name}`)
    .join('\n');

describe('every exported function of the engine', () => {
  it('says what it does', () => {
    expect(functions.length).toBeGreaterThan(300);
    expect(places(({ doc }) => doc.length < 12)).toBe('');
  });

  it('says what it throws', () => {
    expect(functions.filter((each) => each.throws).length).toBeGreaterThan(10);
    expect(places(({ throws, doc }) => throws && !doc.includes('@throws'))).toBe('');
  });

  it('that gives a figure says in which unit, by its name or in words', () => {
    expect(places(({ figure, name, doc }) => figure && !UNIT_NAMED.test(name) && !UNIT_SAID.test(doc))).toBe(
      '',
    );
  });
});

describe('files', () => {
  it('of more than 300 lines say why', () => {
    const long = ['core', 'web', 'server', 'cli', 'demo', 'scripts', 'tests']
      .flatMap(sourcesIn)
      .filter((path) => {
        const text = readFileSync(join(root, path), 'utf8');
        return text.split('\n').length > 301 && !/Longer than 300 lines: .{20}/.test(text);
      });
    expect(long.join('\n')).toBe('');
  });
});
