/** What hinders a step, with its numbers and fixes. */
import { faultWords, glueOf, glueWayWords, minutesText, type BuildFault, type Closing, type DisplayUnit, type Edit, type Shop } from '@keen/core';
import { Button } from '@mui/material';
import { useNavigate } from 'react-router';
import { useAppSelector } from '../../app/store.ts';
import { selectOpen } from '../project/selectors.ts';
import { focusField } from '../project/focusField.ts';
import { useEdit } from '../project/useEdit.ts';

export interface StepFaultProps {
  readonly fault: BuildFault;
  readonly closing: Closing | null;
  readonly shop: Shop;
  readonly unit: DisplayUnit;
}

export function StepFault({ fault, closing, shop, unit }: StepFaultProps) {
  const { id, design } = useAppSelector(selectOpen);
  const { apply } = useEdit();
  const navigate = useNavigate();
  const fix = (label: string, edit: Edit) => (
    <Button variant="outlined" key={label} onClick={() => apply(edit, '', `Done: ${label}`)}>
      {label}
    </Button>
  );
  const ways = (closing?.ways ?? []).filter(({ hindered }) => hindered.length === 0);
  return (
    <section className="finding change">
      <p>
        <span className="finding-severity">change this</span> <strong>{faultWords(fault, unit)}</strong>{' '}
        {fault.fault === 'open-time' && 'A joint that has skinned over holds nothing.'}
        {fault.fault === 'few-clamps' && 'A joint that is not pressed is held by nothing but luck: borrow or buy what is missing.'}
        {fault.fault === 'too-cold' && 'It turns to chalk or stays soft: warm the shop, or take a product that sets in the cold.'}
      </p>
      <div className="fixes">
        {fault.fault !== 'too-cold' &&
          closing &&
          ways.slice(0, 2).map((told) => {
            const { name, time, clamps } = glueWayWords(told);
            return fix(`Close it ${name}: ${time}, ${clamps}`, [{ path: ['build', 'glueUps', closing.of], value: told.way }]);
          })}
        {fault.fault === 'open-time' &&
          fault.slower.slice(0, 2).map((each) => {
            const { name, openMin } = glueOf(each, shop);
            return fix(`Take ${name}: open ${minutesText(openMin)}`, [{ path: ['build', 'glue'], value: each }]);
          })}
        {fault.fault === 'few-clamps' && (
          <Button
            variant="outlined"
            onClick={() => {
              void navigate(`/project/${id}/${Object.keys(design.units)[0]}/stock`);
              focusField(`shop.clamps.${Object.keys(shop.clamps)[0] ?? 'add'}.count`);
            }}
          >
            Enter the clamps there are
          </Button>
        )}
        {fault.fault === 'too-cold' && fix(`Warm it to ${fault.leastC} °C`, [{ path: ['build', 'tempC'], value: fault.leastC }])}
      </div>
    </section>
  );
}
