/** A font file, as the address it is served at. */
declare module '*.woff2' {
  const address: string;
  export default address;
}
