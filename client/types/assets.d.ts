declare module '*.woff2' {
  const asset: number;
  export default asset;
}
