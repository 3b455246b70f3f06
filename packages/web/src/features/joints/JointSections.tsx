/** Section through every kind of joint, to scale from the measured thickness; its play enlarged on demand. */
import {
  hasPlay,
  heldByWords,
  JOINT_NAMES,
  jointGroups,
  labelWords,
  withArticle,
  loadedWords,
  percentText,
  sectionOfJoint,
  type DisplayUnit,
  type DrawnPoint,
  type JointGroup,
  type Length,
  type CabinetPlan,
} from '@keen/core';
import { useState, type ReactNode } from 'react';
import { useAppDispatch, useAppSelector } from '../../app/store.ts';
import { Explained } from '../../ui/Explained.tsx';
import { LengthText } from '../../ui/LengthText.tsx';
import { RangeSlider } from '../../ui/RangeSlider.tsx';
import type { ShownCabinet } from '../project/selectors.ts';
import { panelHovered } from '../project/view.slice.ts';
import { JointMap } from './JointMap.tsx';
import { WhatChanged } from './WhatChanged.tsx';

const WIDE = 520;
const HIGH = 330;
/** Extent of both parts shown around the seam, mm. */
const REACH = 62;

export function JointSections({ shown }: { readonly shown: ShownCabinet }) {
  const { plan, unit } = shown;
  const groups = jointGroups(plan.cabinet);
  const selected = useAppSelector(({ view }) => view.selected);
  const [chosen, setChosen] = useState<string | null>(null);
  const [times, setTimes] = useState(1);
  const group =
    groups.find(({ id }) => id === chosen) ??
    groups.find(({ connections }) => connections.some(({ guest, host }) => guest === selected || host === selected)) ??
    groups.find(({ slot }) => slot !== null) ??
    groups[0];
  if (!group) return <h1>Nothing meets anything here.</h1>;
  return (
    <>
      <h1>
        {groups.length} {groups.length === 1 ? 'kind of joint holds' : 'kinds of joint hold'} it together.
      </h1>
      <div className="joint-grid">
        <div>
          <JointMap cabinet={plan.cabinet} groups={groups} current={group} onChoose={setChosen} />
          <JointList groups={groups} current={group} onChoose={setChosen} />
        </div>
        <div className="joint-shown">
          <SectionDrawing group={group} plan={plan} times={times} />
          {hasPlay(group) && (
            <label className="play-slider">
              play drawn {times === 1 ? 'as it is' : `${times} times as wide`}
              <RangeSlider label="Play, so many times as wide as it is" min={1} max={12} value={times} onChange={setTimes} />
            </label>
          )}
          <WhatChanged key={plan.id} parts={plan.parts} unit={unit} />
          <JointFacts group={group} plan={plan} unit={unit} />
        </div>
      </div>
    </>
  );
}

function JointList({
  groups,
  current,
  onChoose,
}: {
  readonly groups: readonly JointGroup[];
  readonly current: JointGroup;
  readonly onChoose: (id: string) => void;
}) {
  const dispatch = useAppDispatch();
  return (
    <ul className="joint-list">
      {groups.map((group) => (
        <li key={group.id}>
          <button
            type="button"
            className={group === current ? 'current' : ''}
            aria-pressed={group === current}
            onClick={() => onChoose(group.id)}
            onPointerEnter={() => dispatch(panelHovered(group.guest.id))}
            onPointerLeave={() => dispatch(panelHovered(null))}
          >
            <strong>{JOINT_NAMES[group.kind]}</strong>
            {group.connections.length > 1 && ` × ${group.connections.length}`}
            <span className="quiet">
              {labelWords(group.guest.name)} {group.slot ? 'into' : 'to'} {labelWords(group.host.name)}
              {group.connections.length > 1 ? ' and others alike' : ''}
            </span>
          </button>
        </li>
      ))}
    </ul>
  );
}

function SectionDrawing({ group, plan, times }: { readonly group: JointGroup; readonly plan: CabinetPlan; readonly times: number }) {
  const section = sectionOfJoint(plan.cabinet, group.connections[0]!, times);
  if (!section) return <p className="quiet">Their faces lie on one another: there is no slot to cut through.</p>;
  const scale = Math.min(WIDE, HIGH) / (2 * REACH);
  const x = (mm: number): number => WIDE / 2 + mm * scale;
  const y = (mm: number): number => HIGH / 2 - mm * scale;
  const path = (rings: readonly (readonly DrawnPoint[])[]): string =>
    rings.map((ring) => `M${ring.map(([right, up]) => `${x(right)},${y(up)}`).join(' L')} Z`).join(' ');
  const { fastener } = section;
  return (
    <svg
      className="drawing joint-section"
      viewBox={`0 0 ${WIDE} ${HIGH}`}
      role="img"
      aria-label={`${JOINT_NAMES[group.kind]} of ${withArticle(group.guest.name)} and ${withArticle(group.host.name)}, cut through, ${Math.round(scale * 10) / 10} times as large on a screen of a pixel a millimeter`}
    >
      <path className="joint-host" d={path(section.host)} fillRule="evenodd" />
      <path className="joint-guest" d={path(section.guest)} fillRule="evenodd" />
      {fastener && <line className="joint-fastener" x1={x(fastener[0][0])} y1={y(fastener[0][1])} x2={x(fastener[1][0])} y2={y(fastener[1][1])} />}
      <text x={12} y={22} className="view-name">
        {labelWords(group.host.name)}, with {labelWords(group.guest.name)}
      </text>
    </svg>
  );
}

function JointFacts({ group, plan, unit }: { readonly group: JointGroup; readonly plan: CabinetPlan; readonly unit: DisplayUnit }) {
  const { guest, slot, lip, connections } = group;
  const { joint } = connections[0]!;
  const held = new Set(connections.flatMap((each) => [each.guest, each.host]));
  const link = plan.hang.links.find(({ id, panels }) => id.startsWith('joint-') && panels.some((panel) => held.has(panel)) && id === `joint-${guest.id}`);
  const loads = loadedWords(group);
  const fine = (length: Length): ReactNode => <LengthText value={length} unit={unit} exact withUnit />;
  return (
    <dl className="joint-facts">
      <Fact name="what goes in">{fine(guest.thickness)}</Fact>
      {slot && <Fact name="slot, wide">{fine(slot.width)}</Fact>}
      {slot && <Fact name="deep">{fine(slot.depth)}</Fact>}
      {hasPlay(group) && <Fact name={joint.fit ? `play, a ${joint.fit} fit` : 'play'}>{fine(joint.play)}</Fact>}
      {slot && <Fact name={slot.opposed ? 'left between both slots' : 'left under it'}>{fine(slot.left)}</Fact>}
      {lip !== null && <Fact name="to the nearer end or edge">{fine(lip)}</Fact>}
      {joint.endPlay > 0 && <Fact name="free at the bottom of the slot">{fine(joint.endPlay)}</Fact>}
      <Fact name="held by">{heldByWords(group)}</Fact>
      {loads && <Fact name="a load on it">{loads}</Fact>}
      {link && (
        <Fact name="used by what it carries">
          <Explained title={labelWords(link.name)} unit={unit} of={link.use}>
            {percentText(link.use.value)}
          </Explained>
        </Fact>
      )}
    </dl>
  );
}

function Fact({ name, children }: { readonly name: string; readonly children: ReactNode }) {
  return (
    <div>
      <dt>{name}</dt>
      <dd>{children}</dd>
    </div>
  );
}
