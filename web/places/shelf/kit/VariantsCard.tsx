import { Button } from '@mantine/core';
import { useState } from 'react';
import { idOf } from '../../../../core/formats/kitCells.ts';
import type { KitSheet } from '../../../../core/model/kit.ts';
import { conditionWords, kitUseWords, listed, questionWords } from '../../../../core/words/kits.ts';
import { Card } from '../../../ui/Card.tsx';
import { Scrolls } from '../../../ui/Scrolls.tsx';
import type { ChangeSheet } from './changeSheet.ts';
import classes from './Kit.module.css';
import { VariantForm } from './VariantForm.tsx';

/** The variants as a table: a column a question, then what is used, plugged, capped, linked, moved. */
export function VariantsCard({ sheet, change }: { sheet: KitSheet; change: ChangeSheet }) {
  const [inHand, setInHand] = useState<string | null>(null);
  const plug = (id: string) => sheet.plugs.find((each) => each.id === id)?.what ?? id;
  const chosen = sheet.variants.find(({ id }) => id === inHand);
  const add = (from?: string) => {
    const taken = new Set(sheet.variants.map(({ id }) => id));
    const source = sheet.variants.find(({ id }) => id === from);
    const id = idOf(source?.name ?? 'variant', taken);
    const names = new Set(sheet.variants.map(({ name }) => name));
    let name = source ? `${source.name}, copy` : `Variant ${sheet.variants.length + 1}`;
    while (names.has(name)) name = `${name}'`;
    change((draft) => {
      draft.variants.push(
        source
          ? { ...structuredClone(source), id, name }
          : { id, name, when: {}, uses: [], used: [], capped: [], links: [], modules: [] },
      );
    });
    setInHand(id);
  };
  return (
    <Card title="Variants">
      {sheet.variants.length > 0 && (
        <Scrolls label="Variants of the sheet" className={classes.scroll}>
          <table>
            <thead>
              <tr>
                <th>Variant</th>
                {sheet.questions.map((question) => (
                  <th key={question.id}>{questionWords(question)}</th>
                ))}
                <th>Parts</th>
                <th>Plugged in</th>
                <th>Capped</th>
                <th>Links</th>
                <th>Moves over</th>
                <th>
                  <span className="visually-hidden">Change</span>
                </th>
              </tr>
            </thead>
            <tbody>
              {sheet.variants.map((variant) => (
                <tr key={variant.id} data-in-hand={variant.id === inHand}>
                  <td>
                    <b>{variant.name}</b>
                  </td>
                  {sheet.questions.map((question) => (
                    <td key={question.id}>{conditionWords(question, variant.when[question.id]) || 'any'}</td>
                  ))}
                  <td>{variant.uses.map((use) => kitUseWords(sheet, use)).join('; ')}</td>
                  <td>{listed(variant.used.map(plug))}</td>
                  <td>{listed(variant.capped.map(plug))}</td>
                  <td>{listed(variant.links.map(({ from, to }) => `${from} to ${to}`))}</td>
                  <td>{listed(variant.modules)}</td>
                  <td className={classes.acts}>
                    <Button
                      size="xs"
                      variant="default"
                      aria-label={`Change variant ${variant.name}`}
                      aria-expanded={variant.id === inHand}
                      onClick={() => setInHand(variant.id === inHand ? null : variant.id)}
                    >
                      Change
                    </Button>
                    <Button
                      size="xs"
                      variant="subtle"
                      aria-label={`Copy variant ${variant.name}`}
                      onClick={() => add(variant.id)}
                    >
                      Copy
                    </Button>
                    <Button
                      size="xs"
                      variant="subtle"
                      aria-label={`Remove variant ${variant.name}`}
                      onClick={() =>
                        change((draft) => {
                          draft.variants = draft.variants.filter(({ id }) => id !== variant.id);
                        })
                      }
                    >
                      Remove
                    </Button>
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </Scrolls>
      )}
      {chosen && (
        <VariantForm
          key={chosen.id}
          sheet={sheet}
          variant={chosen}
          change={(act) =>
            change((draft) => {
              const variant = draft.variants.find(({ id }) => id === chosen.id);
              if (variant) act(variant);
            })
          }
        />
      )}
      <Button variant="default" onClick={() => add()}>
        Add a variant
      </Button>
    </Card>
  );
}
