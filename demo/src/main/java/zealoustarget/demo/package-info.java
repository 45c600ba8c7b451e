/** Makes the files of the made-up company Saltmarsh Chandlery from a seed, in any size. */
package zealoustarget.demo;
