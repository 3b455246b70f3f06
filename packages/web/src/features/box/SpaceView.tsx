/** The cabinet in 3D, orbited by hand, exploded by a slider: the panels of the plan, no second geometry. Drawn on demand, not at every frame. */
import { boundsOfCabinet, labelWords, meshesOf, toMm, type PanelMesh } from '@keen/core';
import { FormControlLabel, Switch } from '@mui/material';
import { Canvas, extend, useFrame, useThree, type ThreeElement } from '@react-three/fiber';
import { useEffect, useMemo, useRef, useState } from 'react';
import * as THREE from 'three';
import { OrbitControls } from 'three/examples/jsm/controls/OrbitControls.js';
import { useAppDispatch, useAppSelector } from '../../app/store.ts';
import { fileName } from '../../ui/download.ts';
import { RangeSlider } from '../../ui/RangeSlider.tsx';
import { SaveFile } from '../../ui/SaveFile.tsx';
import { selectPlan, type ShownCabinet } from '../project/selectors.ts';
import { panelHovered, panelSelected } from '../project/view.slice.ts';
import { glbOf, stlOf } from './bodyFiles.ts';

extend({ OrbitControls });
declare module '@react-three/fiber' {
  interface ThreeElements {
    orbitControls: ThreeElement<typeof OrbitControls>;
  }
}

/** Colors of the drawing, read from the page for both themes. */
function useInk(): { birch: string; soft: string; edge: string; ink: string; chalk: string; sage: string; wall: string } {
  return useMemo(() => {
    const style = getComputedStyle(document.documentElement);
    const of = (name: string, fallback: string): string => style.getPropertyValue(name).trim() || fallback;
    return {
      birch: of('--birch', '#e8d2a6'),
      soft: of('--birchSoft', '#f1e4c8'),
      edge: of('--edge', '#c9a66b'),
      ink: of('--ink', '#26241f'),
      chalk: of('--chalk', '#2f6f9f'),
      sage: of('--sage', '#7a8f6a'),
      wall: of('--wallboard', '#e6e2d8'),
    };
  }, []);
}

export default function SpaceView({ shown }: { readonly shown: ShownCabinet }) {
  const [apart, setApart] = useState(0);
  const [withThings, setWithThings] = useState(true);
  const { plan } = shown;
  const whole = useAppSelector(selectPlan);
  const bounds = useMemo(() => boundsOfCabinet(plan.cabinet), [plan.cabinet]);
  const size = Math.max(bounds.high.along - bounds.low.along, bounds.high.up - bounds.low.up, bounds.high.out);
  const centre: [number, number, number] = [(bounds.low.along + bounds.high.along) / 2, (bounds.low.up + bounds.high.up) / 2, bounds.high.out / 2];
  const meshes = useMemo(() => meshesOf(plan.cabinet, size * 0.26), [plan.cabinet, size]);
  const selected = useAppSelector(({ view }) => view.selected);
  const chosen = selected ? plan.cabinet.byId.get(selected) : undefined;
  return (
    <>
      <div className="section-bar">
        <span className="quiet">pulled apart</span>
        <RangeSlider label="Pulled apart" value={apart} min={0} max={100} onChange={setApart} />
        <FormControlLabel
          control={<Switch size="small" checked={withThings} onChange={(event) => setWithThings(event.target.checked)} />}
          label="with what it holds"
        />
        <SaveFile name={`${fileName(shown.spec.name)}.glb`} type="model/gltf-binary" make={() => glbOf(plan, whole)}>
          Body (glTF)
        </SaveFile>
        <SaveFile name={`${fileName(shown.spec.name)}.stl`} type="model/stl" make={() => stlOf(plan)}>
          Body (STL)
        </SaveFile>
      </div>
      <div
        className="drawing-room space-room"
        role="img"
        aria-label={`${shown.spec.name} in space${apart > 0 ? ', pulled apart' : ''}, ${plan.cabinet.panels.length} panels. ${chosen ? `Selected: ${labelWords(chosen.name)}.` : 'The cut list names every part.'}`}
      >
        <Canvas
          flat
          frameloop="demand"
          dpr={[1, 2]}
          camera={{ position: [centre[0] + size * 0.9, centre[1] + size * 0.6, size * 2.5], fov: 32, near: 10, far: size * 12 }}
        >
          <Turn centre={centre} />
          <ambientLight intensity={2.1} />
          <directionalLight position={[centre[0] + size, centre[1] + size * 2, size * 2]} intensity={1.1} />
          <directionalLight position={[centre[0] - size * 2, centre[1], size]} intensity={0.4} />
          {meshes.map((mesh) => (
            <PanelBody key={mesh.panel} mesh={mesh} role={plan.cabinet.byId.get(mesh.panel)!.role} apart={apart / 100} />
          ))}
          {withThings && apart < 5 && <Things shown={shown} />}
        </Canvas>
      </div>
    </>
  );
}

/** Looks at the middle of the cabinet, and asks for a frame when it is turned. */
function Turn({ centre }: { readonly centre: [number, number, number] }) {
  const { camera, gl, invalidate } = useThree();
  const controls = useRef<OrbitControls>(null);
  const [x, y, z] = centre;
  useEffect(() => {
    const held = controls.current;
    if (!held) return;
    held.target.set(x, y, z);
    held.update();
    const ask = (): void => invalidate();
    held.addEventListener('change', ask);
    invalidate();
    return () => held.removeEventListener('change', ask);
  }, [x, y, z, invalidate]);
  useFrame(() => controls.current?.update());
  return <orbitControls ref={controls} args={[camera, gl.domElement]} enableDamping={false} />;
}

function PanelBody({ mesh, role, apart }: { readonly mesh: PanelMesh; readonly role: string; readonly apart: number }) {
  const ink = useInk();
  const dispatch = useAppDispatch();
  const { invalidate } = useThree();
  const lit = useAppSelector(({ view }) => (view.selected === mesh.panel ? 'selected' : view.hovered === mesh.panel ? 'hovered' : ''));
  const { body, lines } = useMemo(() => {
    const solid = new THREE.BufferGeometry();
    solid.setAttribute('position', new THREE.Float32BufferAttribute(mesh.positions as number[], 3));
    solid.setAttribute('normal', new THREE.Float32BufferAttribute(mesh.normals as number[], 3));
    const edges = new THREE.BufferGeometry();
    edges.setAttribute('position', new THREE.Float32BufferAttribute(mesh.edges as number[], 3));
    return { body: solid, lines: edges };
  }, [mesh]);
  useEffect(() => () => void (body.dispose(), lines.dispose()), [body, lines]);
  useEffect(() => invalidate(), [lit, apart, invalidate]);
  const colour =
    lit === 'selected' ? ink.chalk : role === 'wall-half' || role === 'cabinet-half' || role === 'spacer' ? ink.edge : role === 'back' ? ink.soft : ink.birch;
  return (
    <group position={[mesh.apart.along * apart, mesh.apart.up * apart, mesh.apart.out * apart]}>
      <mesh
        geometry={body}
        onClick={(event) => {
          event.stopPropagation();
          dispatch(panelSelected(mesh.panel));
        }}
        onPointerOver={(event) => {
          event.stopPropagation();
          dispatch(panelHovered(mesh.panel));
        }}
        onPointerOut={() => dispatch(panelHovered(null))}
      >
        <meshStandardMaterial color={colour} roughness={0.9} polygonOffset polygonOffsetFactor={1} polygonOffsetUnits={1} />
      </mesh>
      <lineSegments geometry={lines}>
        <lineBasicMaterial color={ink.ink} />
      </lineSegments>
    </group>
  );
}

/** Items in place: plain bodies of their own size. */
function Things({ shown: { plan } }: { readonly shown: ShownCabinet }) {
  const ink = useInk();
  return (
    <>
      {plan.weights.contents.flatMap(({ compartment, arrangement }) =>
        (arrangement?.spots ?? []).map(({ item, along, up, out, foot }, index) => {
          const size: [number, number, number] = [toMm(foot.along), toMm(foot.up), toMm(foot.out)];
          const { at } = compartment;
          return (
            <mesh
              key={`${compartment.id}/${item.id}/${index}`}
              position={[toMm(at.along) + toMm(along) + size[0] / 2, toMm(at.up) + toMm(up) + size[1] / 2, toMm(at.out) + toMm(out) + size[2] / 2]}
            >
              <boxGeometry args={size} />
              <meshStandardMaterial color={ink.sage} roughness={1} transparent opacity={0.75} />
            </mesh>
          );
        }),
      )}
    </>
  );
}
