/** The layered layout off the pointer's thread: the package answers messages by itself once it is loaded in a worker. */
import 'elkjs/lib/elk-worker.min.js';
