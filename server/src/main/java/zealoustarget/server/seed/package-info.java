/**
 * Fills an empty database from a folder of files, by the same loading as any file, and prints the
 * example.
 */
package zealoustarget.server.seed;
