import { Text } from '../ui/Text';

/** In place of a page about money, for who sees none. */
export const NoPrices = () => <Text>Prices are not shown to you. Ask an owner of the company.</Text>;
