import { degrees } from '../units';
import { inDegrees, say } from '../sentence';
import { caution, type Remark, type Subject } from './remark';

/** Flatter than this a strut pushes its wall more than it carries. deg */
const FLATTEST_DEG = 45;

/** What struts ask of the walls that they stand on, and those that lean too far. */
export const aboutStruts = ({ framing: { members } }: Subject): Remark[] => {
  const struts = members.filter(({ kind }) => kind === 'strut');
  const [first] = struts;
  if (first === undefined) return [];
  const flattest = struts.reduce((p, q) => (q.axis.slopeRad < p.axis.slopeRad ? q : p), first);
  const deg = degrees(flattest.axis.slopeRad);
  return [
    caution(
      'strut-carries',
      say`the ‹struts› bring the ‹purlins›’ load down on their wall: it must be a bearing one, down to its footing; fix each ‹strut› at both ends, so that wind cannot lift it off`,
      first,
    ),
    ...(deg < FLATTEST_DEG
      ? [
          caution(
            'strut-flat',
            say`a ‹strut› at ${inDegrees(deg)} from level pushes more than it carries; the usual limit is ${inDegrees(FLATTEST_DEG)} or steeper`,
            flattest,
          ),
        ]
      : []),
  ];
};
