/** The lanes under the roll. */
package flailbeat.app.view.bench.lane;
