/** The load path: the weakest link first and large, the second next, the rest folded. */
import { linkWords, percentText, type DisplayUnit, type Link } from '@keen/core';
import { useState } from 'react';
import { Explained } from '../../ui/Explained.tsx';
import { UtilizationBar } from '../../ui/UtilizationBar.tsx';

const SHOWN = 2;

export function LinkList({ links, unit }: { readonly links: readonly Link[]; readonly unit: DisplayUnit }) {
  const rest = links.slice(SHOWN);
  /** Folded rows are not computed at every move of the load. */
  const [open, setOpen] = useState(false);
  if (links.length === 0) return null;
  return (
    <div className="links">
      {links.slice(0, SHOWN).map((link, index) => (
        <LinkRow key={link.id} link={link} unit={unit} first={index === 0} />
      ))}
      <p className="scale-words">dashed line: OK up to here · full line: limit, 100 %</p>
      {rest.length > 0 && (
        <details open={open} onToggle={(event) => setOpen(event.currentTarget.open)}>
          <summary>
            {rest.length} others, all at or under {percentText(rest[0]!.use.value)}
          </summary>
          {open && rest.map((link) => <LinkRow key={link.id} link={link} unit={unit} first={false} />)}
        </details>
      )}
    </div>
  );
}

function LinkRow({ link, unit, first }: { readonly link: Link; readonly unit: DisplayUnit; readonly first: boolean }) {
  const name = linkWords(link);
  return (
    <div className={`link-row${first ? ' first' : ''}`}>
      <span className="link-name">{name}</span>
      <UtilizationBar use={link.use.value} fineTo={link.fineTo} limit={link.limit} />
      <Explained title={name} unit={unit} of={link.use}>
        {percentText(link.use.value)}
      </Explained>
      {link.otherRules && (
        <span className="link-rules">
          straight sum {percentText(link.otherRules.straight)} · sum of squares {percentText(link.otherRules.squares)}
        </span>
      )}
    </div>
  );
}
