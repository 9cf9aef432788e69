import { View } from 'react-native';
import Svg, { Path } from 'react-native-svg';
import { useTheme } from '../theme/theme';
import { Title } from './text';

/** Two ogee curves meeting at a ridge, over a snapped chalk line. */
export const NameMark = () => {
  const { colour } = useTheme();
  return (
    <View className="flex-row items-center gap-2">
      <Svg width={44} height={40} viewBox="0 0 64 58" aria-hidden>
        <Path
          d="M6 48C26 48 22 12 32 6C42 12 38 48 58 48"
          fill="none"
          stroke={colour('ink')}
          strokeWidth={5}
          strokeLinecap="round"
          strokeLinejoin="round"
        />
        <Path
          d="M4 54H60"
          stroke={colour('chalk')}
          strokeWidth={4}
          strokeDasharray={[1, 6]}
          strokeLinecap="round"
        />
      </Svg>
      <Title level={1} className="text-4xl">
        Ogee
      </Title>
    </View>
  );
};
