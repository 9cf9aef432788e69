import type { Kind } from '@ogee/core/src/kinds';
import { solidOf, type Member } from '@ogee/core/src/frame';
import { toWorld, type Vec3 } from '@ogee/core/src/geom';
import type { Solution } from '@ogee/core/src/solve';
import { Canvas, useThree } from '@react-three/fiber';
import { useEffect, useMemo } from 'react';
import { BufferGeometry, Color, DoubleSide, Float32BufferAttribute } from 'three';
import { OrbitControls } from 'three/examples/jsm/controls/OrbitControls.js';

/** Metres on screen: three's depth is happier with small numbers. */
const PER_MM = 0.001;
/** How large a spot is, as a share of the building. */
const SPOT_SHARE = 0.018;

/** A member's sawn pieces as flat triangles, y up. */
const geometryOf = (member: Member, [cx, cy]: readonly [number, number]): BufferGeometry => {
  const corners: number[] = [];
  for (const piece of solidOf(member)) {
    for (const { points } of piece) {
      const world = points.map((p) => {
        const [x, y, z] = toWorld(member.frame, p);
        return [(x - cx) * PER_MM, z * PER_MM, -(y - cy) * PER_MM] as const;
      });
      const [first] = world;
      for (let i = 1; first !== undefined && i + 1 < world.length; i += 1) {
        const [b, c] = [world[i], world[i + 1]];
        if (b !== undefined && c !== undefined) corners.push(...first, ...b, ...c);
      }
    }
  }
  const geometry = new BufferGeometry();
  geometry.setAttribute('position', new Float32BufferAttribute(corners, 3));
  geometry.computeVertexNormals();
  return geometry;
};

/** One finger turns, two fingers move and zoom; the wheel zooms. */
const Turn = () => {
  const { camera, gl, invalidate } = useThree();
  useEffect(() => {
    const controls = new OrbitControls(camera, gl.domElement);
    controls.maxPolarAngle = Math.PI / 2 + 0.3;
    controls.addEventListener('change', () => invalidate());
    controls.update();
    return () => controls.dispose();
  }, [camera, gl, invalidate]);
  return null;
};

export interface Frame3dProps {
  readonly solution: Solution;
  readonly hidden: ReadonlySet<Kind>;
  readonly picked: string | null;
  readonly markOf: (id: string) => string;
  readonly colourOf: (kind: Kind) => string;
  readonly pickedColour: string;
  readonly onPick: (mark: string) => void;
  /** Ids of members, and places, where the fit found something wrong. */
  readonly wrong: readonly string[];
  readonly spots: readonly Vec3[];
  readonly wrongColour: string;
}

/** Every sawn board in its place. Loaded only when it is looked at. */
const Frame3d = (props: Frame3dProps) => {
  const { solution, hidden, picked, markOf, colourOf, pickedColour, onPick } = props;
  const { wrong, spots, wrongColour } = props;
  const { boards, size, middle } = useMemo(() => {
    const corners = solution.roof.blocks.flatMap(({ grown }) => grown.points);
    const xs = corners.map(([x]) => x);
    const ys = corners.map(([, y]) => y);
    const middle = [
      (Math.min(...xs) + Math.max(...xs)) / 2,
      (Math.min(...ys) + Math.max(...ys)) / 2,
    ] as const;
    return {
      middle,
      size: Math.max(Math.max(...xs) - Math.min(...xs), Math.max(...ys) - Math.min(...ys)) * PER_MM,
      boards: solution.members.map((member) => ({
        member,
        geometry: geometryOf(member, middle),
      })),
    };
  }, [solution]);
  useEffect(() => () => boards.forEach(({ geometry }) => geometry.dispose()), [boards]);
  return (
    <Canvas
      frameloop="demand"
      camera={{ position: [size * 0.85, size * 0.9, size * 1.35], fov: 38, far: size * 20 }}
      gl={{ preserveDrawingBuffer: true }}
    >
      <ambientLight intensity={1.5} />
      <directionalLight position={[4, 9, 6]} intensity={1.8} />
      <directionalLight position={[-6, 4, -5]} intensity={0.7} />
      <Turn />
      {boards.map(({ member, geometry }) => {
        const mark = markOf(member.id);
        return hidden.has(member.kind) ? null : (
          <mesh
            key={member.id}
            geometry={geometry}
            onClick={(event) => {
              event.stopPropagation();
              if (event.delta < 6) onPick(mark);
            }}
          >
            <meshLambertMaterial
              color={
                new Color(
                  mark === picked
                    ? pickedColour
                    : wrong.includes(member.id)
                      ? wrongColour
                      : colourOf(member.kind),
                )
              }
              side={DoubleSide}
              flatShading
            />
          </mesh>
        );
      })}
      {spots.map(([x, y, z], i) => (
        <mesh key={i} position={[(x - middle[0]) * PER_MM, z * PER_MM, -(y - middle[1]) * PER_MM]}>
          <sphereGeometry args={[size * SPOT_SHARE, 16, 12]} />
          <meshBasicMaterial color={new Color(wrongColour)} transparent opacity={0.6} />
        </mesh>
      ))}
    </Canvas>
  );
};

export default Frame3d;
