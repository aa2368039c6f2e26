import type { Block, Page } from '../../../core/pages/page.ts';
import { Scrolls } from '../../ui/Scrolls.tsx';
import classes from './PrintedPage.module.css';

/** A page as it is printed: on paper it stands alone. The PDF is written from the same blocks. */
export function PrintedPage({ page, label }: { page: Page; label: string }) {
  return (
    <article className={classes.page} aria-label={label}>
      <h2>{page.title}</h2>
      <p className={classes.sub}>{page.about}</p>
      {page.blocks.map((block, index) => (
        <OneBlock key={`${block.title ?? block.kind} ${index}`} block={block} />
      ))}
      <p className={classes.source}>{page.foot}</p>
    </article>
  );
}

function OneBlock({ block }: { block: Block }) {
  const title = block.title ? <h3>{block.title}</h3> : null;
  switch (block.kind) {
    case 'words':
      return (
        <>
          {title}
          <p>{block.strong ? <b>{block.text}</b> : block.text}</p>
        </>
      );
    case 'list':
      return (
        <>
          {title}
          <ul className={classes.list} data-caution={block.caution}>
            {block.items.map((text) => (
              <li key={text}>{text}</li>
            ))}
          </ul>
        </>
      );
    case 'facts':
      return (
        <>
          {title}
          <dl className={classes.facts}>
            {block.rows.map(([name, text]) => (
              <div key={name}>
                <dt>{name}</dt>
                <dd>{text}</dd>
              </div>
            ))}
          </dl>
        </>
      );
    case 'table':
      return (
        <>
          {title}
          <Scrolls label={block.title}>
            <table>
              <thead>
                <tr>
                  {block.head.map((text) => (
                    <th key={text}>{text}</th>
                  ))}
                </tr>
              </thead>
              <tbody>
                {block.rows.map((row, index) => (
                  <tr key={index}>
                    {row.map((text, column) => (
                      <td key={column}>{text}</td>
                    ))}
                  </tr>
                ))}
              </tbody>
            </table>
          </Scrolls>
        </>
      );
  }
}
