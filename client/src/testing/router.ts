/** Stands for the router in tests of screens. */
export const router = { navigate: (): void => undefined, replace: (): void => undefined };
export const useRouter = (): typeof router => router;
export const usePathname = (): string => '/';
export const useLocalSearchParams = (): Record<string, string> => ({});
