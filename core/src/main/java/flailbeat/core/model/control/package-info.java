/** Controllers: their numbers, names, ranges and where they rest. */
package flailbeat.core.model.control;
