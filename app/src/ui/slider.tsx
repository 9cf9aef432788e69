import { View } from 'react-native';
import { useTheme } from '../theme/theme';

/** A share from 0 to 1, slid by thumb or by the arrow keys. */
export const Slider = ({
  label,
  value,
  onChange,
}: {
  readonly label: string;
  readonly value: number;
  readonly onChange: (value: number) => void;
}) => {
  const { colour } = useTheme();
  return (
    <View className="min-h-[48px] flex-1 justify-center px-2">
      <input
        type="range"
        min={0}
        max={100}
        value={Math.round(value * 100)}
        aria-label={label}
        onChange={(event) => onChange(Number(event.target.value) / 100)}
        style={{ width: '100%', height: 48, accentColor: colour('chalk') }}
      />
    </View>
  );
};
