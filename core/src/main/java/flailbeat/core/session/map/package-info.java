/** What a person does to clips: on the song map, or by commands anywhere. */
package flailbeat.core.session.map;
