import type { FrameMesh } from '@ogee/core/src/drawing';
import type { Vec3 } from '@ogee/core/src/geom';
import type { Kind } from '@ogee/core/src/kinds';
import { Canvas, useThree } from '@react-three/fiber';
import { useEffect, useMemo } from 'react';
import { BufferGeometry, Color, DoubleSide, BufferAttribute } from 'three';
import { OrbitControls } from 'three/examples/jsm/controls/OrbitControls.js';

/** Metres on screen: three's depth is happier with small numbers. */
const PER_MM = 0.001;
/** Boards are wood, tinged with so much of their kind's colour that kinds are told apart. */
const KIND_SHARE = 0.65;
/** How large a spot is, as a share of the building. */
const SPOT_SHARE = 0.018;

/** A board's triangles as three draws them: y up, about the plan's middle. */
const geometryOf = (
  { corners, middle }: FrameMesh,
  { from, to }: FrameMesh['boards'][number],
): BufferGeometry => {
  const own = new Float32Array(to - from);
  for (let i = 0; i < own.length; i += 3) {
    const [x = 0, y = 0, z = 0] = corners.subarray(from + i, from + i + 3);
    own.set([(x - middle[0]) * PER_MM, z * PER_MM, -(y - middle[1]) * PER_MM], i);
  }
  const geometry = new BufferGeometry();
  geometry.setAttribute('position', new BufferAttribute(own, 3));
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
  readonly mesh: FrameMesh;
  readonly hidden: ReadonlySet<Kind>;
  readonly picked: string | null;
  readonly colourOf: (kind: Kind) => string;
  readonly woodColour: string;
  readonly pickedColour: string;
  readonly onPick: (mark: string) => void;
  /** Ids of members, and places, where the fit found something wrong. */
  readonly wrong: readonly string[];
  readonly spots: readonly Vec3[];
  readonly wrongColour: string;
}

/** Every sawn board in its place. Loaded only when it is looked at. */
const Frame3d = (props: Frame3dProps) => {
  const { mesh, hidden, picked, colourOf, woodColour, pickedColour, onPick } = props;
  const { wrong, spots, wrongColour } = props;
  const { middle } = mesh;
  const size = mesh.size * PER_MM;
  const boards = useMemo(
    () => mesh.boards.map((board) => ({ ...board, geometry: geometryOf(mesh, board) })),
    [mesh],
  );
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
      {boards.map(({ id, kind, mark, geometry }) => {
        return hidden.has(kind) ? null : (
          <mesh
            key={id}
            geometry={geometry}
            onClick={(event) => {
              event.stopPropagation();
              if (event.delta < 6) onPick(mark);
            }}
          >
            <meshLambertMaterial
              color={
                mark === picked
                  ? new Color(pickedColour)
                  : wrong.includes(id)
                    ? new Color(wrongColour)
                    : new Color(woodColour).lerp(new Color(colourOf(kind)), KIND_SHARE)
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
