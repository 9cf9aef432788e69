import type { FrameMesh } from '@ogee/core/src/drawing';
import type { Vec3 } from '@ogee/core/src/geom';
import { Canvas, useThree } from '@react-three/fiber';
import { useEffect, useMemo, useRef } from 'react';
import { BufferAttribute, DoubleSide, Plane, Vector3, type BufferGeometry } from 'three';
import { OrbitControls } from 'three/examples/jsm/controls/OrbitControls.js';
import type { Around, BoardLook, SeenFrom } from './look';
import { FOV_DEG, standingAt } from './camera';
import { boardAt, coloursOf, geometryOf, PER_MM, pointsOf, turned } from './surfaces';

/** How large a spot is, as a share of the building. */
const SPOT_SHARE = 0.018;
/** How far a timber is lifted out of its frame, as a share of the building. */
const LIFT_SHARE = 0.16;
/** A finger that moves by more has turned the frame, not touched a timber. px */
const TURNED_PX = 6;

/** One finger turns, two fingers move and zoom; the wheel zooms. The frame is looked at anew where `from` is chosen. */
const Turn = ({ mesh, from }: { readonly mesh: FrameMesh; readonly from: SeenFrom }) => {
  const { camera, gl, invalidate, size: viewed } = useThree();
  const view = useRef(viewed);
  const controls = useRef<OrbitControls | null>(null);
  useEffect(() => {
    const own = new OrbitControls(camera, gl.domElement);
    own.maxPolarAngle = Math.PI / 2 + 0.3;
    own.addEventListener('change', () => invalidate());
    controls.current = own;
    return () => own.dispose();
  }, [camera, gl, invalidate]);
  useEffect(() => {
    const { width, height } = view.current;
    const { eye, target } = standingAt(mesh, from, width / height);
    camera.position.copy(eye);
    controls.current?.target.copy(target);
    controls.current?.update();
    invalidate();
    // An edit leaves the frame as it was turned.
    // oxlint-disable-next-line react/exhaustive-deps
  }, [from, camera, invalidate]);
  return null;
};

/** Frees what the graphics card holds of a geometry when it is no more drawn. */
const useFreed = <T extends BufferGeometry>(geometry: T): T => {
  useEffect(() => () => geometry.dispose(), [geometry]);
  return geometry;
};

/** The same points drawn in part: those of some boards. */
const useSome = (
  mesh: FrameMesh,
  positions: BufferAttribute,
  of: 'corners' | 'edges',
  wanted: (i: number) => boolean,
  colours?: BufferAttribute,
): BufferGeometry => {
  const geometry = useMemo(() => {
    const some = geometryOf(new Float32Array(0));
    some.setAttribute('position', positions);
    if (colours !== undefined) some.setAttribute('color', colours);
    some.setIndex(new BufferAttribute(pointsOf(mesh, of, wanted), 1));
    return some;
  }, [mesh, positions, of, wanted, colours]);
  return useFreed(geometry);
};

interface MaterialProps {
  /** Each corner has its own where none is given. */
  readonly colour?: string;
  readonly clip: Plane[];
}

/** Nothing is cut away. */
const WHOLE: Plane[] = [];

/** Something solid, a little behind its edges, so that these are drawn whole. */
const Solid = ({ colour, clip }: MaterialProps) => (
  <meshLambertMaterial
    {...(colour === undefined ? { vertexColors: true } : { color: colour })}
    side={DoubleSide}
    flatShading
    polygonOffset
    polygonOffsetFactor={1}
    polygonOffsetUnits={1}
    clippingPlanes={clip}
  />
);

/** Something that is seen through. */
const Faint = ({ colour, clip, opacity }: MaterialProps & { readonly opacity: number }) => (
  <meshBasicMaterial
    {...(colour === undefined ? { vertexColors: true } : { color: colour })}
    transparent
    opacity={opacity}
    depthWrite={false}
    side={DoubleSide}
    clippingPlanes={clip}
  />
);

interface BoardsProps {
  readonly mesh: FrameMesh;
  readonly looks: readonly BoardLook[];
  /** The number of the board that is lifted out; −1 for none. */
  readonly lifted: number;
  readonly inkColour: string;
  readonly clip: Plane[];
  readonly onPick: (id: string) => void;
}

/** Every sawn board in its place: one draw of wood, one of edges, one of shades, one of what is lifted out. */
const Boards = ({ mesh, looks, lifted, inkColour, clip, onPick }: BoardsProps) => {
  const corners = useMemo(() => new BufferAttribute(turned(mesh.corners, mesh.middle), 3), [mesh]);
  const ends = useMemo(() => new BufferAttribute(turned(mesh.edges, mesh.middle), 3), [mesh]);
  const colours = useMemo(() => coloursOf(mesh, looks), [mesh, looks]);
  const parts = useMemo(
    () => ({
      wood: (i: number): boolean => looks[i]?.as === 'wood' && i !== lifted,
      shade: (i: number): boolean => looks[i]?.as === 'shade' || i === lifted,
      up: (i: number): boolean => i === lifted,
    }),
    [looks, lifted],
  );
  const wood = useSome(mesh, corners, 'corners', parts.wood, colours);
  const edges = useSome(mesh, ends, 'edges', parts.wood);
  const shade = useSome(mesh, corners, 'corners', parts.shade, colours);
  const upWood = useSome(mesh, corners, 'corners', parts.up, colours);
  const upEdges = useSome(mesh, ends, 'edges', parts.up);
  const lift = mesh.size * LIFT_SHARE * PER_MM;
  return (
    <>
      <mesh
        geometry={wood}
        onClick={(event) => {
          event.stopPropagation();
          const board = mesh.boards[boardAt(mesh, event.face?.a ?? -1)];
          if (event.delta < TURNED_PX && board !== undefined) onPick(board.id);
        }}
      >
        <Solid clip={clip} />
      </mesh>
      <lineSegments geometry={edges}>
        <lineBasicMaterial color={inkColour} transparent opacity={0.5} clippingPlanes={clip} />
      </lineSegments>
      <mesh geometry={shade}>
        <Faint opacity={0.14} clip={clip} />
      </mesh>
      {lifted >= 0 && (
        <group position={[0, lift, 0]}>
          <mesh geometry={upWood}>
            <Solid clip={WHOLE} />
          </mesh>
          <lineSegments geometry={upEdges}>
            <lineBasicMaterial color={inkColour} />
          </lineSegments>
        </group>
      )}
    </>
  );
};

/** Plates, walls and the roof's planes round the boards. */
const Surroundings = ({
  mesh,
  around,
  wallColour,
  plateColour,
  planeColour,
  clip,
}: {
  readonly mesh: FrameMesh;
  readonly around: Around;
  readonly wallColour: string;
  readonly plateColour: string;
  readonly planeColour: string;
  readonly clip: Plane[];
}) => {
  const plates = useFreed(useMemo(() => geometryOf(turned(mesh.plates, mesh.middle)), [mesh]));
  const walls = useFreed(useMemo(() => geometryOf(turned(mesh.walls, mesh.middle)), [mesh]));
  const planes = useFreed(useMemo(() => geometryOf(turned(mesh.planes, mesh.middle)), [mesh]));
  return (
    <>
      {around.walls && (
        <>
          <mesh geometry={plates}>
            <Solid colour={plateColour} clip={clip} />
          </mesh>
          <mesh geometry={walls}>
            <Faint colour={wallColour} opacity={0.3} clip={clip} />
          </mesh>
        </>
      )}
      {around.planes && (
        <mesh geometry={planes}>
          <Faint colour={planeColour} opacity={0.22} clip={clip} />
        </mesh>
      )}
    </>
  );
};

/** The plane beyond which nothing is drawn. */
const clipOf = ({ size }: FrameMesh, { cut }: Around): Plane[] => {
  if (cut === null) return [];
  const reach = (size / 2) * PER_MM * 1.05;
  const at = -reach + 2 * reach * cut.share;
  const normal = cut.way === 'along' ? new Vector3(-1, 0, 0) : new Vector3(0, 0, -1);
  return [new Plane(normal, at)];
};

export interface Frame3dProps {
  readonly mesh: FrameMesh;
  /** By board, in the mesh's order. */
  readonly looks: readonly BoardLook[];
  readonly lifted: string | null;
  readonly around: Around;
  readonly seenFrom: SeenFrom;
  readonly colours: {
    readonly ink: string;
    readonly wall: string;
    readonly plate: string;
    readonly plane: string;
    readonly spot: string;
  };
  readonly onPick: (id: string) => void;
  /** Places that are pointed at. */
  readonly spots: readonly Vec3[];
}

/** The frame in the round. Loaded only when it is looked at. */
const Frame3d = (props: Frame3dProps) => {
  const { mesh, looks, lifted, around, seenFrom, colours, onPick, spots } = props;
  const [x0, y0] = mesh.middle;
  const size = mesh.size * PER_MM;
  const clip = useMemo(() => clipOf(mesh, around), [mesh, around]);
  return (
    <Canvas
      frameloop="demand"
      dpr={[1, 2]}
      camera={{ fov: FOV_DEG, near: size / 100, far: size * 20 }}
      gl={{ preserveDrawingBuffer: true, antialias: true }}
      onCreated={({ gl }) => {
        gl.localClippingEnabled = true;
      }}
    >
      <ambientLight intensity={1.35} />
      <directionalLight position={[4, 9, 6]} intensity={1.9} />
      <directionalLight position={[-6, 4, -5]} intensity={0.8} />
      <Turn mesh={mesh} from={seenFrom} />
      <Surroundings
        mesh={mesh}
        around={around}
        wallColour={colours.wall}
        plateColour={colours.plate}
        planeColour={colours.plane}
        clip={clip}
      />
      <Boards
        mesh={mesh}
        looks={looks}
        lifted={mesh.boards.findIndex(({ id }) => id === lifted)}
        inkColour={colours.ink}
        clip={clip}
        onPick={onPick}
      />
      {spots.map(([x, y, z], i) => (
        <mesh key={i} position={[(x - x0) * PER_MM, z * PER_MM, -(y - y0) * PER_MM]}>
          <sphereGeometry args={[size * SPOT_SHARE, 16, 12]} />
          <meshBasicMaterial color={colours.spot} transparent opacity={0.6} />
        </mesh>
      ))}
    </Canvas>
  );
};

export default Frame3d;
