/** The metadata store is exported from this file only, without types of its own. */
declare module 'class-transformer/esm5/storage' {
  export const defaultMetadataStorage: NonNullable<
    Parameters<typeof import('class-validator-jsonschema').targetConstructorToSchema>[1]
  >['classTransformerMetadataStorage']
}
