import type { FrameMesh } from '@ogee/core/src/drawing';
import { Vector3 } from 'three';
import type { SeenFrom } from './look';
import { PER_MM } from './surfaces';

/** How high the view is, as an angle. degrees */
export const FOV_DEG = 38;
/** Of the view, how much is left free round the building. */
const MARGIN = 0.06;

const WAYS: Readonly<Record<SeenFrom, readonly [number, number, number]>> = {
  corner: [0.62, 0.62, 1],
  front: [0, 0.16, 1.25],
  side: [1.25, 0.16, 0],
  above: [0, 1.45, 0.02],
};

/** The box round all boards, as three draws them. */
const boxOf = ({ corners, walls, middle: [x0, y0] }: FrameMesh): readonly [Vector3, Vector3] => {
  const [low, high] = [
    new Vector3(Infinity, Infinity, Infinity),
    new Vector3(-Infinity, -Infinity, -Infinity),
  ];
  const p = new Vector3();
  for (const row of [corners, walls])
    for (let i = 0; i < row.length; i += 3) {
      p.set(
        ((row[i] ?? 0) - x0) * PER_MM,
        (row[i + 2] ?? 0) * PER_MM,
        -((row[i + 1] ?? 0) - y0) * PER_MM,
      );
      low.min(p);
      high.max(p);
    }
  return [low, high];
};

/** Where the camera stands, and what it looks at, so that the whole building is seen and fills the view. */
export const standingAt = (
  mesh: FrameMesh,
  from: SeenFrom,
  aspect: number,
): { readonly eye: Vector3; readonly target: Vector3 } => {
  const [low, high] = boxOf(mesh);
  const target = low.clone().add(high).multiplyScalar(0.5);
  const back = new Vector3(...WAYS[from]).normalize();
  const right = new Vector3(0, 1, 0).cross(back).normalize();
  const up = back.clone().cross(right);
  const tall = Math.tan((FOV_DEG * Math.PI) / 360) * (1 - MARGIN);
  let far = 0;
  for (const x of [low.x, high.x])
    for (const y of [low.y, high.y])
      for (const z of [low.z, high.z]) {
        const p = new Vector3(x, y, z).sub(target);
        const near = p.dot(back);
        const needed = Math.max(
          Math.abs(p.dot(right)) / (tall * aspect),
          Math.abs(p.dot(up)) / tall,
        );
        far = Math.max(far, needed + near);
      }
  return { eye: target.clone().addScaledVector(back, far), target };
};
