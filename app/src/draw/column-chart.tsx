import { StackedBarChart } from 'react-native-chart-kit';
import { useTheme } from '../theme/theme';

const HEIGHT_PX = 200;
/** What the chart keeps free on its left, and how wide a bar of it is at its widest. px */
const BESIDE_PX = 70;
const BAR_PX = 32;

/** A column of something: how much of it is done, and how much is not. */
export interface Column {
  readonly label: string;
  readonly done: number;
  readonly rest: number;
}

/** Columns side by side, what is done of each inked in. A part of the app of its own: it is looked at now and then. */
const ColumnChart = ({
  columns,
  widthPx,
}: {
  readonly columns: readonly Column[];
  readonly widthPx: number;
}) => {
  const { colour } = useTheme();
  const ink = () => colour('ink');
  return (
    <StackedBarChart
      width={widthPx}
      height={HEIGHT_PX}
      hideLegend
      withHorizontalLabels
      decimalPlaces={0}
      data={{
        labels: columns.map(({ label }) => label),
        legend: [],
        data: columns.map(({ done, rest }) => [done, rest]),
        barColors: [colour('chalk'), colour('grain')],
      }}
      chartConfig={{
        backgroundGradientFrom: colour('paper'),
        backgroundGradientTo: colour('paper'),
        color: ink,
        labelColor: ink,
        decimalPlaces: 0,
        barPercentage: Math.min(1, ((widthPx - BESIDE_PX) / columns.length / BAR_PX) * 0.7),
        propsForVerticalLabels: { dx: -9 },
        propsForBackgroundLines: { stroke: colour('grain') },
        propsForLabels: { fontFamily: 'BarlowCondensed_500Medium', fontSize: 13 },
      }}
    />
  );
};

export default ColumnChart;
