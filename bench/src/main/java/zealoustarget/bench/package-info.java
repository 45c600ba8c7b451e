/** Measurements beside their baselines, in one run; never part of the tests. */
package zealoustarget.bench;
