// Code generated from server/api/openapi.yaml; DO NOT EDIT.
import type { Board, BoardRequest, Brief, Food, Reserve, Rules, Spec, TrayElement, TrayFile, Vessel } from "./tray.gen";
export interface paths {
    "/healthz": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** Whether the server and its database answer */
        get: operations["health"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/readyz": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** Whether requests should be sent here; not while the server is being stopped, or its database takes no changes */
        get: operations["ready"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/v1/larder": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** Foods, boards and vessels */
        get: operations["larder"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/v1/foods/{id}/picture.svg": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** A drawn portion of a food */
        get: operations["foodPicture"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/v1/jobs": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** A page of jobs in time order */
        get: operations["listJobs"];
        put?: never;
        /** A new job from a brief */
        post: operations["createJob"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/v1/jobs/{id}": {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: components["parameters"]["JobId"];
            };
            cookie?: never;
        };
        /** A job with its current document */
        get: operations["getJob"];
        /** Save the document as a new revision */
        put: operations["saveJob"];
        post?: never;
        /** Put a job away; it can be taken out again */
        delete: operations["putAway"];
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/v1/jobs/{id}/take-out": {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: components["parameters"]["JobId"];
            };
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** Take out a job that was put away */
        post: operations["takeOut"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/v1/jobs/{id}/undo": {
        parameters: {
            query?: never;
            header: {
                /** @description The ETag of the revision this change was made from */
                "If-Match": components["parameters"]["IfMatch"];
            };
            path: {
                id: components["parameters"]["JobId"];
            };
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** Go back one revision */
        post: operations["undo"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/v1/jobs/{id}/redo": {
        parameters: {
            query?: never;
            header: {
                /** @description The ETag of the revision this change was made from */
                "If-Match": components["parameters"]["IfMatch"];
            };
            path: {
                id: components["parameters"]["JobId"];
            };
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** Go forward one revision */
        post: operations["redo"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/v1/jobs/{id}/revisions": {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: components["parameters"]["JobId"];
            };
            cookie?: never;
        };
        /** A page of what was saved, newest first */
        get: operations["revisions"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/v1/jobs/{id}/head": {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: components["parameters"]["JobId"];
            };
            cookie?: never;
        };
        /** The number of the last revision, to see whether another window has saved */
        get: operations["head"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/v1/jobs/{id}/revisions/{number}": {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: components["parameters"]["JobId"];
                number: components["parameters"]["RevisionNumber"];
            };
            cookie?: never;
        };
        /** One saved state of a job */
        get: operations["revision"];
        /** Give a saved state a name, or take it away */
        put: operations["nameRevision"];
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/v1/jobs/{id}/revisions/{number}/tray.svg": {
        parameters: {
            query?: {
                /** @description which of the job's trays, 0 for the first */
                tray?: components["parameters"]["WhichTray"];
            };
            header?: never;
            path: {
                id: components["parameters"]["JobId"];
                number: components["parameters"]["RevisionNumber"];
            };
            cookie?: never;
        };
        /** A tray of a saved state, drawn small */
        get: operations["revisionPicture"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/v1/jobs/{id}/day": {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: components["parameters"]["JobId"];
            };
            cookie?: never;
        };
        /** The work for a job as it is saved against the clock, backwards from serving, for so many people and ovens */
        get: operations["jobDay"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/v1/scale": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** What the bench scale shows, or why it shows nothing */
        get: operations["scale"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/v1/scale/tare": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** Set the scale to nought with what lies on it */
        post: operations["tareScale"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/v1/scale/load": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** Lay so much more on the simulated scale, or take it off */
        post: operations["loadScale"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/v1/jobs/{id}/holding": {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: components["parameters"]["JobId"];
            };
            cookie?: never;
        };
        /** How long what perishes has been out of the cold, and by when it must go */
        get: operations["holding"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/v1/jobs/{id}/weights": {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: components["parameters"]["JobId"];
            };
            cookie?: never;
        };
        /** What is to be weighed for a job, and what was */
        get: operations["weights"];
        /** Record what a food in a form weighs; nought takes the record away */
        put: operations["setWeight"];
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/v1/jobs/{id}/weights/take": {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: components["parameters"]["JobId"];
            };
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** Keep the amounts that were weighed out as the job's; reserve makes up for what differs, and then the trays */
        post: operations["takeWeights"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/v1/jobs/{id}/forecast": {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: components["parameters"]["JobId"];
            };
            cookie?: never;
        };
        /** How the trays of a job as it is saved will be eaten */
        get: operations["forecast"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/v1/jobs/{id}/evening": {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: components["parameters"]["JobId"];
            };
            cookie?: never;
        };
        /** What was noted of a job's evening, or what can be; version 0 where nothing was */
        get: operations["evening"];
        /** Keep what came home; later amounts learn from it */
        put: operations["saveEvening"];
        post?: never;
        /** Take what was noted away, and what it taught */
        delete: operations["dropEvening"];
        options?: never;
        head?: never;
        /** Note what came home of some dishes, whoever notes others at the same time; or that it was all looked back on */
        patch: operations["changeEvening"];
        trace?: never;
    };
    "/api/v1/jobs/{id}/evening/gone": {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: components["parameters"]["JobId"];
            };
            cookie?: never;
        };
        get?: never;
        /** Note while the evening goes on that an element is gone, now, or that it is not after all */
        put: operations["noteGone"];
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/v1/jobs/{id}/evening/topped": {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: components["parameters"]["JobId"];
            };
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** Note while the evening goes on that more of a food was laid, now */
        post: operations["topUp"];
        /** Take the last of what was noted as laid later back */
        delete: operations["takeBackTopUp"];
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/v1/jobs/{id}/evening/keep": {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: components["parameters"]["JobId"];
            };
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** Put what came home of a food into the cupboard, good until the day that is advised */
        post: operations["keepRemains"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/v1/jobs/{id}/evening/notes": {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: components["parameters"]["JobId"];
            };
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** Note something on the evening, with the time */
        post: operations["addNote"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/v1/jobs/{id}/evening/photos": {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: components["parameters"]["JobId"];
            };
            cookie?: never;
        };
        /** The photographs of an evening, in the order in which they were made */
        get: operations["photos"];
        put?: never;
        /** Keep a photograph of the evening, made small and without whatever else its file says; twelve at most */
        post: operations["addPhoto"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/v1/jobs/{id}/evening/photos/{photo}": {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: components["parameters"]["JobId"];
                photo: string;
            };
            cookie?: never;
        };
        /** A photograph of an evening */
        get: operations["photo"];
        put?: never;
        post?: never;
        /** Throw a photograph away */
        delete: operations["dropPhoto"];
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/v1/jobs/{id}/evening/photos/{photo}/beside": {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: components["parameters"]["JobId"];
                photo: string;
            };
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** Hold a photograph from above against the plan; its corners are found where they are not given, and kept */
        post: operations["besidePlan"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/v1/jobs/{id}/evening/photos/{photo}/straight": {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: components["parameters"]["JobId"];
                photo: string;
            };
            cookie?: never;
        };
        /** The photograph by the corners that were kept, as if it had been taken from straight above */
        get: operations["straightPhoto"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/v1/logbook": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** The evenings that were looked back on and what they teach */
        get: operations["logbook"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/v1/logbook/export": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** Every dish of every evening as a table */
        get: operations["exportLogbook"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/v1/jobs/{id}/bundle": {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: components["parameters"]["JobId"];
            };
            cookie?: never;
        };
        /** A job with its evening and photographs as one zip of open files, with a manifest and checksums */
        get: operations["jobBundle"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/v1/bundle": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** The whole house as one zip of open files */
        get: operations["houseBundle"];
        put?: never;
        /** Read the jobs and evenings of such a zip, whole or not at all; jobs come in as new ones */
        post: operations["bringIn"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/v1/days/{date}": {
        parameters: {
            query?: never;
            header?: never;
            path: {
                /** @description 2026-11-30 */
                date: string;
            };
            cookie?: never;
        };
        /** The work for all jobs that are served on a day, as one plan with the same hands */
        get: operations["dayOf"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/v1/days/{date}/sheet": {
        parameters: {
            query?: never;
            header?: never;
            path: {
                /** @description 2026-11-30 */
                date: string;
            };
            cookie?: never;
        };
        /** The work for all jobs of a day for a calendar or a spreadsheet */
        get: operations["daySheet"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/v1/jobs/{id}/ticks": {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: components["parameters"]["JobId"];
            };
            cookie?: never;
        };
        /** What of the work for a job was done, and when; everybody who prepares sees the same */
        get: operations["ticks"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/v1/jobs/{id}/pins/{task}": {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: components["parameters"]["JobId"];
                task: string;
            };
            cookie?: never;
        };
        get?: never;
        /** Have a task begin at a moment, as late as what follows lets it; without one, when the plan likes it again */
        put: operations["pinTask"];
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/v1/jobs/{id}/ticks/{task}": {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: components["parameters"]["JobId"];
                task: string;
            };
            cookie?: never;
        };
        get?: never;
        /** Note that a task was done, or that it was not after all */
        put: operations["setTick"];
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/v1/jobs/{id}/sheet": {
        parameters: {
            query?: {
                /** @description which of the job's trays, 0 for the first */
                tray?: components["parameters"]["WhichTray"];
            };
            header?: never;
            path: {
                id: components["parameters"]["JobId"];
            };
            cookie?: never;
        };
        /** What is printed of a job as it is saved, and its work list as a calendar or a table */
        get: operations["jobSheet"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/v1/jobs/{id}/tray.svg": {
        parameters: {
            query?: {
                /** @description Revision, so that browsers keep the drawing */
                v?: number;
            };
            header?: never;
            path: {
                id: components["parameters"]["JobId"];
            };
            cookie?: never;
        };
        /** The tray drawn to scale */
        get: operations["trayPicture"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/v1/jobs/{id}/derived": {
        parameters: {
            query?: {
                /** @description which of the job's trays, 0 for the first */
                tray?: components["parameters"]["WhichTray"];
            };
            header?: never;
            path: {
                id: components["parameters"]["JobId"];
            };
            cookie?: never;
        };
        /** What follows from a job as it is saved; one small question where the document would have to be sent three times */
        get: operations["jobDerived"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/v1/jobs/{id}/scene": {
        parameters: {
            query?: {
                /** @description which of the job's trays, 0 for the first */
                tray?: components["parameters"]["WhichTray"];
            };
            header?: never;
            path: {
                id: components["parameters"]["JobId"];
            };
            cookie?: never;
        };
        /** A tray of a job as it is saved, as drawings to place */
        get: operations["jobScene"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/v1/jobs/{id}/edits": {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: components["parameters"]["JobId"];
            };
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** Do a command to a saved tray and keep it as the next revision; with preview tell only how the tray would lie, which is small enough for every frame of a drag */
        post: operations["edit"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/v1/outlook": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** What follows from a brief */
        post: operations["outlook"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/v1/theme": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** What the theme of a brief does, and which are of its month */
        post: operations["theme"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/v1/packs": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** What a list of packs means that somebody wrote in front of a fridge */
        post: operations["readPacks"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/v1/substitutes": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** Foods that can take another's place under a brief, nearest first */
        post: operations["substitutes"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/v1/plan": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** Pick, portion and choose a board for a brief; nothing is laid yet */
        post: operations["plan"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/v1/replan": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** Plan a tray's brief again, keeping in place what the brief leaves as it was */
        post: operations["replan"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/v1/choice": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** The foods a brief comes to, or those that are on its trays already, why, and how balanced they are */
        post: operations["choice"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/v1/choices": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** Three choices of foods for a brief, planned through, with what sets each apart */
        post: operations["choices"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/v1/like": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** Lay a tray as one of a saved job is laid, scaled to its own board and amounts */
        post: operations["layLike"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/v1/practice": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** The rules of the craft, in the order in which they are learnt */
        get: operations["practicePath"];
        put?: never;
        /** An exercise of the craft without its solution, the same for a kind, a seed and a level */
        post: operations["makeExercise"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/v1/practice/results": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** What others had of a set of exercises, without names */
        get: operations["practiceResults"];
        put?: never;
        /** Put one's own points of a set of exercises beside those of others, without a name */
        post: operations["addPracticeResult"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/v1/practice/sheet": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** A board with faults on it to print, with what they are overleaf */
        get: operations["practiceSheet"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/v1/practice/marks": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** How near an answer to an exercise came, with the solution */
        post: operations["markExercise"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/v1/lens": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** What a lens shows of a tray, in one respect */
        post: operations["lens"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/v1/mend": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** The one change that helps most against a finding, if one raises the total */
        post: operations["mend"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/v1/arrange": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** Lay a tray; lines of JSON come as better layouts are found, close the connection to stop */
        post: operations["arrange"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/v1/review": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** Judge a tray */
        post: operations["review"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/v1/picture": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** The tray drawn as SVG, from above or at a slant, with or without names */
        post: operations["drawPicture"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/v1/scene": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** A tray as drawings to place */
        post: operations["scene"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/v1/basket": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** Amounts, packs and money of a tray */
        post: operations["basket"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/v1/prep": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** The ordered steps of a tray */
        post: operations["prep"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/v1/amounts": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** The basket that a brief comes to, to be shown while a slider moves; nothing is kept */
        post: operations["amounts"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/v1/savings": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** The changes to a planned job that save most for least loss of balance */
        post: operations["savings"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/v1/quote": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** The price of a planned job at the seller's rates */
        post: operations["quote"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/v1/shopping": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** What to buy for one job, or for all jobs of a week */
        get: operations["shopping"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/v1/shopping/export": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** The same as text, CSV or PDF */
        get: operations["exportShopping"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/v1/shopping/ticks": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        /** Tick one food of a list off, or take the tick back */
        put: operations["tick"];
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/v1/shop": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** What is known of the shop whose feed is read, and how old it is */
        get: operations["shop"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/v1/shop/ask": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** Read the shop's feed now */
        post: operations["askShop"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/v1/palettes": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** The colours of a palette file (*.gpl), brought down to five where it has more than twelve */
        post: operations["readPalette"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/v1/palettes/file": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** Colours as a palette file (*.gpl) */
        get: operations["writePalette"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/v1/palettes/region/{region}": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** The main colours of the foods of a region */
        get: operations["regionPalette"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/v1/door": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** Whether phones and tablets may be let in, and which are; a device hears only of itself */
        get: operations["door"];
        /** Open the door or shut it; only at the house's own computer */
        put: operations["setDoor"];
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/v1/door/key": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** A key that lets one device in within some minutes, and withdraws the one before; only at the house's own computer */
        post: operations["makeKey"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/v1/door/enter": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** Come in by a key; the device is known by a cookie from then on */
        post: operations["enter"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/v1/door/leave": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** Put out the device that asks */
        post: operations["leave"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/v1/door/devices/{device}": {
        parameters: {
            query?: never;
            header?: never;
            path: {
                device: string;
            };
            cookie?: never;
        };
        get?: never;
        put?: never;
        post?: never;
        /** Put a device out, at once; only at the house's own computer */
        delete: operations["putOut"];
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/v1/settings": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** Units, currency and hemisphere */
        get: operations["settings"];
        /** Change some of the settings; what is left out stays as it is */
        put: operations["saveSettings"];
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/v1/larder/find": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** The foods that people mean by some words, best first */
        get: operations["findFoods"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/v1/diets": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** Diets as people say them, and all words for what guests may avoid */
        get: operations["diets"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/v1/larder/search": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** Foods on their shelves, narrowed down */
        get: operations["searchLarder"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/v1/larder/export/{table}": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** The larder, packs or stock as CSV */
        get: operations["exportTable"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/v1/larder/import": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** What a CSV file would change, or, with apply, the change itself, whole or not at all */
        post: operations["importTable"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/v1/foods": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** A food of one's own, as a copy or new */
        post: operations["createFood"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/v1/foods/{id}": {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: components["parameters"]["ThingId"];
            };
            cookie?: never;
        };
        /** Everything that is known of a food */
        get: operations["foodPage"];
        /** Keep a food as it is given; of a built-in one only what differs is kept */
        put: operations["saveFood"];
        post?: never;
        /** Put a food away; trays that use it keep it, and it can be taken out again */
        delete: operations["putFoodAway"];
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/v1/foods/{id}/take-out": {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: components["parameters"]["ThingId"];
            };
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** Take a food out again */
        post: operations["takeFoodOut"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/v1/foods/{id}/hand-back": {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: components["parameters"]["ThingId"];
            };
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** Give up the changes to a built-in food */
        post: operations["handFoodBack"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/v1/foods/{id}/stock": {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: components["parameters"]["ThingId"];
            };
            cookie?: never;
        };
        get?: never;
        /** What the cupboard holds of a food */
        put: operations["saveStock"];
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/v1/foods/{id}/forms/{form}": {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: components["parameters"]["ThingId"];
                form: string;
            };
            cookie?: never;
        };
        /** What a food in a form comes to, and its drawing in mm */
        get: operations["measureForm"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/v1/foods/{id}/photo": {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: components["parameters"]["ThingId"];
            };
            cookie?: never;
        };
        /** The photograph that was kept of a food */
        get: operations["foodPhoto"];
        /** Keep a photograph of a food, made small */
        put: operations["saveFoodPhoto"];
        post?: never;
        /** Throw the photograph away */
        delete: operations["dropFoodPhoto"];
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/v1/colours": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** The main colours of a picture, which is not kept */
        post: operations["mainColours"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/v1/boards": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** Boards and vessels with their measures */
        get: operations["boards"];
        put?: never;
        /** The board of a shape and size, to look at; it is not kept */
        post: operations["makeBoard"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/v1/boards/outline": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** The board in an SVG drawing */
        post: operations["readOutline"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/v1/boards/{id}": {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: components["parameters"]["ThingId"];
            };
            cookie?: never;
        };
        get?: never;
        /** Keep a board of one's own */
        put: operations["saveBoard"];
        post?: never;
        /** Put a board away; trays that use it keep it */
        delete: operations["putBoardAway"];
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/v1/boards/{id}/take-out": {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: components["parameters"]["ThingId"];
            };
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** Take a board out again */
        post: operations["takeBoardOut"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/v1/boards/{id}/picture.svg": {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: components["parameters"]["ThingId"];
            };
            cookie?: never;
        };
        /** A board drawn to scale */
        get: operations["boardPicture"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/v1/shelf": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** What is kept to be used again, choices, ideas, themes and patterns, with what is put away */
        get: operations["shelf"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/v1/shelf/{kind}": {
        parameters: {
            query?: never;
            header?: never;
            path: {
                kind: components["parameters"]["KeptKind"];
            };
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** Keep a job's choice, an idea, a theme or a laid tray as a pattern under a name */
        post: operations["keep"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/v1/shelf/{kind}/{id}": {
        parameters: {
            query?: never;
            header?: never;
            path: {
                kind: components["parameters"]["KeptKind"];
                id: components["parameters"]["ThingId"];
            };
            cookie?: never;
        };
        get?: never;
        /** Keep it anew; the foods of a choice stay */
        put: operations["changeKept"];
        post?: never;
        /** Take it off the shelf */
        delete: operations["putKeptAway"];
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/v1/shelf/{kind}/{id}/take-out": {
        parameters: {
            query?: never;
            header?: never;
            path: {
                kind: components["parameters"]["KeptKind"];
                id: components["parameters"]["ThingId"];
            };
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** Put it on the shelf again */
        post: operations["takeKeptOut"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/v1/kept-choices/{id}/use": {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: components["parameters"]["ThingId"];
            };
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** A brief with a kept choice for its foods, for its own guests */
        post: operations["useKept"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/v1/ideas/{id}/photo": {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: components["parameters"]["ThingId"];
            };
            cookie?: never;
        };
        /** The picture of an idea */
        get: operations["ideaPhoto"];
        /** Keep a picture of an idea, made small */
        put: operations["saveIdeaPhoto"];
        post?: never;
        /** Throw the picture away */
        delete: operations["dropIdeaPhoto"];
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/v1/vessels/{id}": {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: components["parameters"]["ThingId"];
            };
            cookie?: never;
        };
        get?: never;
        /** Keep a vessel of one's own */
        put: operations["saveVessel"];
        post?: never;
        /** Put a vessel away; trays that use it keep it */
        delete: operations["putVesselAway"];
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/v1/vessels/{id}/take-out": {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: components["parameters"]["ThingId"];
            };
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** Take a vessel out again */
        post: operations["takeVesselOut"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/v1/vessels/{id}/picture.svg": {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: components["parameters"]["ThingId"];
            };
            cookie?: never;
        };
        /** A vessel drawn to scale, empty */
        get: operations["vesselPicture"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
}
export type webhooks = Record<string, never>;
export interface components {
    schemas: {
        Quantiles: {
            /** Format: double */
            p10: number;
            /** Format: double */
            p50: number;
            /** Format: double */
            p90: number;
        };
        /** @description of so many simulated evenings; p10, p50, p90 are what it is in one, five and nine of ten at most */
        Forecast: {
            evenings: number;
            guests: number;
            /** Format: double */
            minutes: number;
            elements: {
                id: string;
                /** @description of several, from 1 */
                tray?: number;
                food: string;
                /** Format: double */
                laid_g: number;
                eaten_g: components["schemas"]["Quantiles"];
                left_g: components["schemas"]["Quantiles"];
                gone_at_min?: components["schemas"]["Quantiles"] | null;
                /** Format: double */
                gone_share: number;
                looks: {
                    /** Format: double */
                    minute: number;
                    /** Format: double */
                    left_share: number;
                }[];
                why: string[];
            }[];
            groups: {
                who: string;
                count: number;
                /** Format: double */
                wanted_g: number;
                got_g: components["schemas"]["Quantiles"];
                /**
                 * Format: double
                 * @description guests who got less than half of what they wanted
                 */
                without: number;
            }[];
            looks: {
                /** Format: double */
                minute: number;
                /** Format: double */
                left_share: number;
            }[];
            top_up: {
                /** Format: double */
                minute: number;
                food: string;
                /** Format: double */
                grams: number;
            }[];
            waste: {
                /** Format: double */
                grams: number;
                cost: number;
            };
            crowd: {
                tray?: number;
                side: string;
                /** Format: double */
                share: number;
            }[];
        };
        /**
         * @description why something was left or not
         * @enum {string}
         */
        Reason: "out of reach" | "no tool" | "not cut" | "too much" | "too strong" | "too sour" | "nobody knows it" | "ran out early" | "lovely";
        EveningDish: {
            tray: number;
            element?: string;
            food: string;
            form?: string;
            /**
             * Format: double
             * @description of its food, for a grown-up, before anything was learnt
             */
            share_g: number;
            /** Format: double */
            laid_g: number;
            /** Format: double */
            left_g: number;
            /** Format: double */
            gone_at_min?: number | null;
            reasons: components["schemas"]["Reason"][];
            foreseen?: components["schemas"]["Quantiles"];
        };
        EveningNote: {
            /** Format: date-time */
            at: string;
            says: string;
            /** @description as what it was noted where it was made */
            id?: string;
        };
        EveningChange: {
            done?: boolean;
            dishes?: {
                tray: number;
                element?: string;
                food: string;
                /** Format: double */
                left_g: number;
                /** Format: double */
                gone_at_min: number | null;
                reasons: components["schemas"]["Reason"][];
            }[];
        };
        Evening: {
            id: string;
            /** @description left out where it was noted without one */
            job?: string;
            title: string;
            crowd: string;
            date: string;
            occasion: string;
            guests: {
                adults: number;
                children?: number;
                light?: number;
                hearty?: number;
            };
            /** Format: double */
            lasted_min: number;
            trays?: {
                board: string;
                style?: string;
            }[];
            dishes: components["schemas"]["EveningDish"][];
            notes: components["schemas"]["EveningNote"][];
            /** @description it was looked back on */
            done: boolean;
            /** @description what was laid later, in order; it is in laid_g of its dish */
            topped?: components["schemas"]["ToppedUp"][];
            /** @description foods whose remains went into the cupboard */
            kept?: string[];
            /** @description how long the work took, as it was ticked at the counter */
            work?: {
                kind: string;
                /**
                 * Format: double
                 * @description minutes, by the data alone
                 */
                planned: number;
                /**
                 * Format: double
                 * @description minutes
                 */
                took: number;
            }[];
            /** @description how long what perishes may stand out there; reckoned, not kept */
            caution?: string;
            /**
             * Format: double
             * @description of what was laid; up to it what is left counts as nothing; told, not kept
             */
            gone_share?: number;
            /** @description what is usually done with what came home; reckoned, not kept */
            advice?: {
                food: string;
                /** Format: double */
                grams: number;
                /** @enum {string} */
                do: "keep" | "freeze" | "cook" | "throw away";
                /** @description that it keeps */
                days: number;
                says: string;
            }[];
            /** Format: int64 */
            version: number;
        };
        GoneAsked: {
            tray?: number;
            element: string;
            gone: boolean;
        };
        ToppedAsked: {
            tray?: number;
            food: string;
            /** Format: double */
            grams: number;
        };
        ToppedUp: {
            /** @description as what it was noted where it was made */
            id?: string;
            /**
             * Format: double
             * @description after serving
             */
            at_min: number;
            tray: number;
            element: string;
            food: string;
            /** Format: double */
            grams: number;
            /**
             * Format: double
             * @description when its dish had been gone, for when this is taken back
             */
            gone_at_min?: number;
        };
        KeepRemainsAsked: {
            food: string;
        };
        NoteAsked: {
            says: string;
        };
        PhotoKept: {
            id: string;
            /** Format: date-time */
            made_at: string;
        };
        PhotoList: {
            photos: components["schemas"]["PhotoKept"][];
        };
        Factor: {
            food: string;
            /** Format: double */
            factor: number;
            /** Format: double */
            sd: number;
            evenings: number;
            because: string[];
        };
        Logbook: {
            /** @description how long work takes in the house, where that is other than the data say */
            pace: components["schemas"]["LoggedPace"][];
            evenings: components["schemas"]["LoggedEvening"][];
            /** @description what was learnt, for the crowd that is asked for or for everybody; what is surest to be other than reckoned first */
            foods: components["schemas"]["LoggedFood"][];
            crowds: string[];
            years: number[];
            reasons: string[];
            /** @description by form, board and style, what came home least first */
            emptied: {
                /** @enum {string} */
                by: "form" | "board" | "style";
                name: string;
                /** Format: double */
                laid_g: number;
                /** Format: double */
                left_g: number;
                evenings: number;
            }[];
        };
        LoggedPace: {
            /** @description of work */
            kind: string;
            /**
             * Format: double
             * @description of the minutes that the data say, drawn towards 1 while stints are few
             */
            factor: number;
            /** @description stretches of work that were ticked */
            stints: number;
            days: number;
            /**
             * Format: double
             * @description the middle half of the stints lies from here
             */
            low: number;
            /** Format: double */
            high: number;
            says: string;
            /** @description what the data say counts */
            refused: boolean;
        };
        LoggedEvening: {
            id: string;
            job?: string;
            title: string;
            crowd: string;
            date: string;
            guests: number;
            /** Format: double */
            laid_g: number;
            /** Format: double */
            left_g: number;
            /** @description what was left at today's prices, minor units */
            cost_left: number;
            /**
             * Format: double
             * @description what the forecast said would be left, where there was one
             */
            foreseen_left_g?: number;
            notes?: string[];
            foods: {
                food: string;
                /** Format: double */
                laid_g: number;
                /** Format: double */
                left_g: number;
                /** Format: double */
                gone_at_min?: number | null;
                reasons?: string[];
                /** @description of it came home */
                much: boolean;
            }[];
        };
        LoggedFood: {
            food: string;
            name: string;
            /** Format: double */
            factor: number;
            /** Format: double */
            sd: number;
            evenings: number;
            because: string[];
            /** Format: double */
            laid_g: number;
            /** Format: double */
            left_g: number;
        };
        BesideAsked: {
            tray?: number;
            /** @description of the board's box in the photograph, px, from the upper left of the plan clockwise; found where they are left out */
            corners?: number[][];
        };
        Beside: {
            /** @description of the photograph, px */
            width: number;
            height: number;
            corners: number[][];
            /** @description they were found, or given; where not, they are a guess to be dragged */
            found: boolean;
            says: string[];
            seen: {
                element: string;
                food: string;
                planned: string;
                photo: string;
                /**
                 * Format: double
                 * @description CIEDE2000 between the colour planned and the one seen
                 */
                off: number;
                /** Format: double */
                alike: number;
                /** @description by how much it lies elsewhere, mm */
                moved?: number[];
            }[];
        };
        BroughtIn: {
            jobs: {
                id: string;
                title: string;
            }[];
            /** @description that have no job */
            evenings: number;
            photos: number;
            /** @description what was left out, and why */
            says: string[];
        };
        Door: {
            /**
             * @description which of them asks
             * @enum {string}
             */
            here: "house" | "device";
            /** @description of the device that asks */
            name?: string;
            open: boolean;
            /** @description beyond this machine, just now */
            listening: boolean;
            /** @description why it does not listen although the door is open; else empty */
            trouble: string;
            /** @description where devices find the door */
            addresses: string[];
            /** @description what goes through it is encrypted on the way */
            secure?: boolean;
            /**
             * Format: date-time
             * @description of a key that nobody has used
             */
            key_until?: string;
            devices: components["schemas"]["Device"][];
        };
        Device: {
            id: string;
            name: string;
            /** Format: date-time */
            let_in: string;
            /** Format: date-time */
            seen: string;
        };
        WeightsTaken: {
            /** @description a sentence for each food that changed; none where all was right */
            says: string[];
        };
        DoorAsked: {
            open: boolean;
        };
        DoorKey: {
            /** @description as it can be typed */
            key: string;
            /** @description addresses that hold it, best first */
            links: string[];
            /** Format: date-time */
            until: string;
        };
        EnterAsked: {
            key: string;
            name: string;
        };
        /**
         * @description one of the 14 that labels must name
         * @enum {string}
         */
        Allergen: "gluten" | "crustaceans" | "egg" | "fish" | "peanuts" | "soy" | "milk" | "nuts" | "celery" | "mustard" | "sesame" | "sulphites" | "lupin" | "molluscs";
        /**
         * @description what else a guest may avoid
         * @enum {string}
         */
        DietWord: "meat" | "pork" | "beef" | "animal" | "rennet" | "alcohol" | "poultry" | "game" | "shellfish" | "gelatine" | "raw milk" | "honey";
        /**
         * @description a theme that is known by its name; any other name is a label
         * @enum {string}
         */
        ThemeName: "harvest" | "first frost" | "midwinter feast" | "spring garden" | "picnic" | "harbour" | "orchard" | "meadow flowers" | "dusk and smoke" | "black and gold" | "hearts" | "snow" | "school's out" | "tea time" | "brunch" | "match night" | "wine and cheese" | "office lunch" | "wedding" | "open house" | "italian" | "french" | "spanish" | "greek" | "alpine" | "nordic" | "levantine" | "iftar" | "diwali" | "hanukkah" | "passover" | "lunar new year";
        /**
         * @description shelves of the larder in the order they are read
         * @enum {string}
         */
        Category: "cheese" | "meat" | "dip" | "brined" | "fruit" | "vegetable" | "dried fruit" | "nut" | "cracker" | "sweet" | "garnish" | "prop";
        /** @enum {string} */
        Wetness: "crisp" | "dry" | "moist" | "oily" | "juicy" | "runny";
        /** @enum {string} */
        Firmness: "fresh" | "soft" | "semi" | "firm" | "hard";
        /** @enum {string} */
        Milk: "cow" | "goat" | "sheep" | "buffalo" | "mixed" | "plant";
        /**
         * @description why pregnant guests and those of weak immunity are commonly advised against a food
         * @enum {string}
         */
        Advisory: "soft mould-ripened" | "washed rind" | "raw milk" | "raw cured meat" | "undercooked meat" | "cold-smoked fish" | "pate" | "liver" | "raw egg" | "raw fish" | "alcohol" | "herbs in quantity";
        /**
         * @description what cheese is set with
         * @enum {string}
         */
        Setting: "rennet" | "microbial" | "thistle" | "acid";
        /** @enum {string} */
        Rind: "edible" | "inedible" | "none";
        /** @enum {string} */
        Texture: "creamy" | "soft" | "chewy" | "firm" | "crumbly" | "crunchy" | "juicy";
        /** @enum {string} */
        Flavour: "sweet" | "salty" | "sour" | "briny" | "smoky" | "spicy" | "bitter" | "umami" | "mild" | "fresh";
        /** @enum {string} */
        Region: "alpine" | "atlantic" | "mediterranean" | "northern" | "eastern" | "tropical";
        /**
         * @description of laying a tray
         * @enum {string}
         */
        Style: "corners" | "winding" | "mirrored" | "wheel" | "meadow";
        /**
         * @description groups of checks in the order they are read
         * @enum {string}
         */
        ReviewGroup: "fit" | "colour" | "spread" | "flow" | "pairs" | "height" | "service" | "eaten" | "care";
        /** @description A tray file, docs/formats/tray.schema.json */
        TrayDocument: TrayFile;
        /** @description A brief, docs/formats/tray.schema.json#/$defs/brief */
        BriefDocument: Brief;
        /** @description House rules, docs/formats/tray.schema.json#/$defs/rules */
        RulesDocument: Rules;
        /** @description One element of a tray file, docs/formats/tray.schema.json#/$defs/element */
        ElementDocument: TrayElement;
        /** @description One food, docs/formats/tray.schema.json#/$defs/food */
        FoodDocument: Food;
        /** @description One form of a food, docs/formats/tray.schema.json#/$defs/spec */
        SpecDocument: Spec;
        /** @description One board, docs/formats/tray.schema.json#/$defs/board */
        BoardDocument: Board;
        /** @description A board's shape and size, docs/formats/tray.schema.json#/$defs/boardRequest */
        BoardRequestDocument: BoardRequest;
        /**
         * @description what is kept to be used again
         * @enum {string}
         */
        KeptKind: "choice" | "idea" | "theme" | "pattern";
        KeptPortion: {
            food: string;
            form: string;
            /**
             * Format: double
             * @description grams for each appetite
             */
            each_g: number;
        };
        Kept: {
            kind: components["schemas"]["KeptKind"];
            id: string;
            name: string;
            put_away: boolean;
            /** Format: int64 */
            version: number;
            /** @description of a choice */
            foods: components["schemas"]["KeptPortion"][];
            /** @description that a choice was kept for */
            guests: number;
            occasion: string;
            /** @description of an idea */
            note: string;
            /** @description it has a picture */
            photo: boolean;
            /** @description of an idea or a theme */
            palette: string[];
            region: string;
            belongs: string[];
            alien: string[];
            garnish: string[];
            liner: string;
            laid?: components["schemas"]["LaidTray"];
        };
        /** @description of a pattern: a tray as a job's saved state has it */
        LaidTray: {
            job: string;
            /** Format: int64 */
            revision: number;
            tray: number;
        };
        ShelfKept: {
            kept: components["schemas"]["Kept"][];
        };
        KeepAsked: {
            name: string;
            note?: string;
            palette?: string[];
            region?: string;
            belongs?: string[];
            alien?: string[];
            garnish?: string[];
            liner?: string;
            laid?: components["schemas"]["LaidTray"];
            job?: components["schemas"]["TrayDocument"];
        };
        UsedChoice: {
            brief: components["schemas"]["BriefDocument"];
            says: string[];
        };
        /** @description What is kept back of a food, docs/formats/tray.schema.json#/$defs/reserve */
        ReserveDocument: Reserve;
        /** @description One vessel, docs/formats/tray.schema.json#/$defs/vessel */
        VesselDocument: Vessel;
        Settings: {
            /** @description address of a shop's feed, or empty */
            shop?: string;
            /** @description feeds of other shops that are gone to where it saves enough */
            further_shops?: string[];
            /** @description what going to a further shop counts, minor units */
            stop_cost?: number;
            /** @description written 08:00, or empty where nobody says */
            shop_opens?: string;
            shop_closes?: string;
            rates?: components["schemas"]["Rates"];
            seller?: components["schemas"]["Seller"];
            /** @enum {string} */
            length: "cm" | "in";
            /** @enum {string} */
            mass: "g" | "oz";
            /** @description ISO 4217 code, or empty for bare figures */
            currency: string;
            /** @enum {string} */
            hemisphere: "north" | "south";
            /** @description time zone of the house, an IANA name; empty for the zone of the machine that serves */
            zone?: string;
            /** @description how many prepare */
            people?: number;
            ovens?: number;
            /** @description of the fridge; 0 where nobody counts them */
            shelves?: number;
            /** @description kinds of work that take what the data say, whatever the house's own hands have taught */
            pace_refused?: string[];
            rules?: components["schemas"]["RulesDocument"];
            /** @description of crowds and hosts that have one of their own */
            ways?: components["schemas"]["HouseWay"][];
            /** @description of the smaller coin of the currency; said by the server, and not taken */
            digits?: number;
        };
        HouseWay: {
            /** @description the crowd, or the host */
            crowd: string;
            rules: components["schemas"]["RulesDocument"];
        };
        SettingsChange: {
            /** @description address of a shop's feed, or empty */
            shop?: string;
            /** @description feeds of other shops that are gone to where it saves enough */
            further_shops?: string[];
            /** @description what going to a further shop counts, minor units */
            stop_cost?: number;
            /** @description written 08:00, or empty where nobody says */
            shop_opens?: string;
            shop_closes?: string;
            rates?: components["schemas"]["Rates"];
            seller?: components["schemas"]["Seller"];
            /** @enum {string} */
            length?: "cm" | "in";
            /** @enum {string} */
            mass?: "g" | "oz";
            /** @description ISO 4217 code, or empty for bare figures */
            currency?: string;
            /** @enum {string} */
            hemisphere?: "north" | "south";
            /** @description time zone of the house, an IANA name; empty for the zone of the machine that serves */
            zone?: string;
            /** @description how many prepare */
            people?: number;
            ovens?: number;
            /** @description of the fridge; 0 where nobody counts them */
            shelves?: number;
            /** @description kinds of work that take what the data say, whatever the house's own hands have taught */
            pace_refused?: string[];
            rules?: components["schemas"]["RulesDocument"];
            /** @description of crowds and hosts that have one of their own */
            ways?: components["schemas"]["HouseWay"][];
            /** @description of the smaller coin of the currency; said by the server, and not taken */
            digits?: number;
        };
        /** @description who asks a price, as the head of a quote says it, and on what terms */
        Seller: {
            name: string;
            /** @description in lines */
            address: string;
            /**
             * Format: double
             * @description percent on top of the price
             */
            tax_pct: number;
            /** @description for which a quote holds; 0 where nothing is said */
            valid_days: number;
            terms: string;
        };
        /** @description what a seller reckons with; money is minor units */
        Rates: {
            hourly: number;
            /** Format: double */
            setup_min: number;
            packaging: number;
            delivery: number;
            /** Format: double */
            overhead_pct: number;
            /** Format: double */
            margin_pct: number;
        };
        Quote: {
            /**
             * Format: double
             * @description percent on top of the total
             */
            tax_pct: number;
            tax: number;
            /** @description the total with its tax */
            pays: number;
            lines: {
                name: string;
                says: string;
                money: number;
            }[];
            cost: number;
            per_head: number;
            guests: number;
            total: number;
        };
        Saving: {
            food: string;
            instead?: string;
            form?: string;
            /** Format: double */
            grams?: number;
            saves: number;
            /** Format: double */
            loss: number;
            /** @description the loss in words */
            loses: string;
            says: string;
        };
        ShoppingList: {
            /** @description names the list where ticks are kept */
            key: string;
            title: string;
            from: string;
            to: string;
            jobs: components["schemas"]["ShoppingJob"][];
            ticks: string[];
            list: components["schemas"]["BuyList"];
        };
        ShoppingJob: {
            id: string;
            title: string;
            day: string;
            planned: boolean;
        };
        BuyList: {
            cost: number;
            items: number;
            sections: components["schemas"]["BuySection"][];
            /** @description the shops it is bought at; empty where fewer than two are set */
            stops: components["schemas"]["BuyStop"][];
            /** @description why at these shops, and what is bought besides food */
            says: string;
            /** @description over all of it at one shop, less what the way counts */
            saves: number;
        };
        BuyStop: {
            name: string;
            foods: number;
            cost: number;
        };
        BuySection: {
            name: string;
            /** @description the shop, where there are several */
            stop: string;
            cost: number;
            items: components["schemas"]["BuyItem"][];
        };
        BuyItem: {
            /** @description a part of what is made in the house, so much of it however it is sold; it is ticked off by its name */
            loose: boolean;
            /** @description it comes in brine, whey or oil: grams are without */
            drained: boolean;
            /** @description how it is asked for where it is cut for the customer; empty where it comes in packs */
            counter: string;
            /** @description what its label has to say, for guests who come; empty where that is nothing */
            labelled: string;
            food: string;
            name: string;
            /** Format: double */
            need_g: number;
            /** Format: double */
            cupboard_g: number;
            packs: components["schemas"]["Packs"][];
            cost: number;
            /** Format: double */
            left_g: number;
            for: string[];
            out_of_stock: boolean;
            /** @description packs of several foods that hold some of it */
            in: string[];
            /** @description what a pack of several foods holds, and it is ticked off by its name */
            holds: components["schemas"]["Held"][];
        };
        Held: {
            food: string;
            /** Format: double */
            grams: number;
        };
        Packs: {
            /** Format: double */
            grams: number;
            price: number;
            count: number;
        };
        Tick: {
            key: string;
            food: string;
            done: boolean;
        };
        Shop: {
            address: string;
            name: string;
            /** @description that the prices hold for, or empty where none are known */
            day: string;
            /** @description when they were read, or empty */
            asked_at: string;
            /** @description of the larder that it has a price for */
            foods: number;
            sold_out: number;
            /** @description entries that made no sense */
            left_out: string[];
            /** @description what was the matter at the last try, or empty */
            wrong: string;
            /** @description the other shops that are set */
            further: components["schemas"]["Shop"][];
        };
        Palette: {
            name: string;
            colours: string[];
        };
        /** @enum {string} */
        Mine: "built-in" | "changed" | "own";
        Shelves: {
            total: number;
            /** @description left out because traces of what is to be without may be in them */
            traces: number;
            /** Format: int64 */
            version: number;
            shelves: components["schemas"]["Shelf"][];
        };
        Shelf: {
            category: string;
            total: number;
            foods: components["schemas"]["FoodCard"][];
        };
        FoodCard: {
            id: string;
            name: string;
            category: string;
            colour: string;
            cut: string;
            forms: string[];
            in_season: boolean;
            mine: components["schemas"]["Mine"];
            /** Format: double */
            on_hand_g: number;
            /** @description changes whenever its drawing may */
            version: string;
        };
        NewFood: {
            name: string;
            /** @description the food to copy */
            from?: string;
            /** @description its kind, where it is added in one line; it looks and behaves as its nearest until somebody says more */
            category?: string;
            /** Format: double */
            piece_g?: number;
            /** Format: double */
            pack_g?: number;
            /**
             * Format: double
             * @description how long a piece is
             */
            size_mm?: number;
        };
        FoundFoods: {
            foods: components["schemas"]["FoundFood"][];
        };
        FoundFood: {
            id: string;
            name: string;
            category: string;
            /** @description what a job shows it as if it is taken by these words, where they are another name of it; else empty */
            called: string;
        };
        Diets: {
            presets: components["schemas"]["DietPreset"][];
            words: components["schemas"]["AvoidWord"][];
        };
        DietPreset: {
            id: string;
            name: string;
            avoid: string[];
            note: string;
        };
        AvoidWord: {
            id: string;
            says: string;
        };
        Lots: {
            lots: components["schemas"]["Lot"][];
            /** @description what the cupboard held when it was looked at; where it holds something else by now, nothing is kept */
            seen?: components["schemas"]["Lot"][];
        };
        Lot: {
            /** Format: double */
            grams: number;
            /** @description 2026-11-30, or empty */
            best_before: string;
        };
        FoodPage: {
            food: components["schemas"]["FoodDocument"];
            mine: components["schemas"]["Mine"];
            /** @description members that differ from the built-in food */
            changed: string[];
            put_away: boolean;
            /** Format: int64 */
            version: number;
            stock: components["schemas"]["Lot"][];
            /** @description how long a lot that is opened today keeps, by the house's calendar */
            lot_until: string;
            diets: string[];
            /**
             * Format: double
             * @description about how much carbohydrate is in a serving
             */
            carb_serving_g: number;
            months_north: number[];
            months_south: number[];
            good_with: components["schemas"]["Partner"][];
            clashes_with: components["schemas"]["Partner"][];
            forms: components["schemas"]["FormOfFood"][];
            /** @description forms it does not have yet, each as it would begin */
            others: components["schemas"]["SpecDocument"][];
            glasses: components["schemas"]["Glass"][];
            photo: boolean;
        };
        FormOfFood: {
            form: string;
            says: string;
            group: number;
        };
        Glass: {
            name: string;
            /** Format: double */
            mm: number;
        };
        Partner: {
            id: string;
            name: string;
            why: string;
        };
        FormMeasure: {
            form: string;
            says: string;
            kind: string;
            pieces: number;
            /** Format: double */
            length_mm: number;
            /** Format: double */
            across_mm: number;
            /** Format: double */
            height_mm: number;
            /** Format: double */
            area_cm2: number;
            /** Format: double */
            mass_g: number;
            /** Format: double */
            minutes: number;
            slices?: number;
            /** Format: double */
            glass_mm?: number;
            /** @description name of the vessel it would stand in */
            vessel?: string;
            /** @description how many such vessels hold it */
            bowls?: number;
            /** @description id of the vessel it is laid round */
            around?: string;
            yields: components["schemas"]["Yield"][];
            /** @description x, y, width and height of the drawing in mm */
            box: number[];
            svg: string;
        };
        Yield: {
            /** Format: double */
            pack_g: number;
            price: number;
            pieces: number;
            /** Format: double */
            left_g: number;
        };
        MainColours: {
            width: number;
            height: number;
            colours: components["schemas"]["ColourPart"][];
        };
        ColourPart: {
            hex: string;
            /** Format: double */
            part: number;
        };
        ImportReport: {
            /** @enum {string} */
            table: "larder" | "packs" | "stock";
            added: number;
            changed: number;
            same: number;
            refused: number;
            /** @description columns that are not known */
            ignored: string[];
            lines: components["schemas"]["ImportLine"][];
            /** @description lines that change nothing and those beyond what is shown */
            lines_left_out: number;
            /** Format: int64 */
            version: number;
            applied: boolean;
        };
        ImportLine: {
            line: number;
            food: string;
            /** @enum {string} */
            what: "added" | "changed" | "same" | "refused";
            says: string;
        };
        Cabinet: {
            boards: components["schemas"]["BoardDrawn"][];
            vessels: components["schemas"]["VesselPage"][];
        };
        BoardDrawn: {
            board: components["schemas"]["BoardDocument"];
            mine: components["schemas"]["Mine"];
            put_away: boolean;
            /** Format: int64 */
            version: number;
            /** Format: double */
            area_cm2: number;
            /** @description for how many a nibble fits */
            guests: number;
            says: string[];
            /** @description only when one board is asked for */
            svg: string;
        };
        VesselPage: {
            vessel: components["schemas"]["VesselDocument"];
            mine: components["schemas"]["Mine"];
            put_away: boolean;
            /** Format: int64 */
            version: number;
            /** Format: double */
            across_mm: number;
        };
        OutlineFound: {
            /** @description the drawing says how large it is */
            physical: boolean;
            /** Format: double */
            length_mm: number;
            /** Format: double */
            width_mm: number;
            notes: string[];
            request: components["schemas"]["BoardRequestDocument"];
            drawn?: components["schemas"]["BoardDrawn"];
        };
        SubstitutesAsked: {
            brief: components["schemas"]["BriefDocument"];
            food: string;
            form?: string;
            /** @description what is on the tray already */
            on?: string[];
            most?: number;
        };
        Substitute: {
            food: string;
            form: string;
            /**
             * Format: double
             * @description 0 to 1, 1 would be the same
             */
            near: number;
            why: string;
        };
        MendAsked: {
            tray: components["schemas"]["TrayDocument"];
            check: string;
            elements: string[];
            at: number[];
        };
        MendAnswer: {
            found: boolean;
            tray?: components["schemas"]["TrayDocument"];
            /** Format: double */
            gain?: number;
            says?: string;
        };
        PracticePath: {
            rules: {
                id: string;
                /** @description 1 to 6, in the order of the work on a board */
                stage: number;
                says: string;
                why: string;
                /** @description of the exercises that train it */
                kinds: components["schemas"]["ExerciseKind"][];
                /** @description of the review, that look after it */
                checks?: string[];
                /** @description the heading of the craft that it stands under */
                about: string;
            }[];
        };
        PracticeResult: {
            /** @description the exercises as a link has them: find.3.48213,pair.2.991 */
            set: string;
            /** @description of each exercise */
            points: number[];
        };
        PracticeResults: {
            /** @description the points of each exercise, by who did them, the newest last */
            results: number[][];
        };
        /** @enum {string} */
        ExerciseKind: "find" | "amount" | "lay" | "order" | "pair" | "diet" | "tool" | "season" | "board" | "cost" | "keep" | "clock" | "save" | "why";
        ExerciseAsked: {
            kind: components["schemas"]["ExerciseKind"];
            /** Format: int64 */
            seed: number;
            level: number;
        };
        Exercise: {
            kind: components["schemas"]["ExerciseKind"];
            /** Format: int64 */
            seed: number;
            level: number;
            /** @description of the path */
            rules: string[];
            /** @description what is to be done */
            asks: string;
            brief?: components["schemas"]["BriefDocument"];
            tray?: components["schemas"]["TrayDocument"];
            choices?: {
                id: string;
                says: string;
                food?: string;
                form?: string;
            }[];
            guesses?: {
                id: string;
                asks: string;
                unit: string;
            }[];
            /** @description how many of the choices are right; left out where that is not told */
            pick?: number;
            /**
             * Format: double
             * @description lay: for how long the clock runs, seconds
             */
            clock_s?: number;
        };
        ExerciseAnswered: {
            kind: components["schemas"]["ExerciseKind"];
            /** Format: int64 */
            seed: number;
            level: number;
            answer: {
                /** @description find: board coordinates, mm */
                taps?: number[][];
                chosen?: string[];
                order?: string[];
                laid?: components["schemas"]["TrayDocument"];
                /**
                 * Format: double
                 * @description lay: for how long it was laid
                 */
                seconds?: number;
                /** @description by question: the truth lies in the range, the guesser would bet four to one */
                guesses?: {
                    [key: string]: {
                        /** Format: double */
                        low: number;
                        /** Format: double */
                        high: number;
                    };
                };
            };
        };
        ExerciseMark: {
            /**
             * Format: double
             * @description 0 to 100
             */
            points: number;
            /** @description find: of the faults, in the order of the solution */
            found: number[];
            /** @description find: taps that hit none */
            alarms: number[];
            wrong: string[];
            missed: string[];
            /** @description amount: 1 where the truth lay in the range */
            within: {
                [key: string]: number;
            };
            /**
             * Format: double
             * @description amount: the mean interval score of the logarithms, 0 is best
             */
            loss: number;
            /** @description by rule of the path: 1 forgotten, 2 hard, 3 good, 4 easy */
            grades: {
                [key: string]: number;
            };
            says: string;
            /** @description lay: beside the search's own board */
            laying?: {
                /**
                 * Format: double
                 * @description of the review, 0 to 100
                 */
                yours: number;
                /**
                 * Format: double
                 * @description the same of the search's board
                 */
                search: number;
                groups: {
                    group: string;
                    /** Format: double */
                    yours: number;
                    /** Format: double */
                    search: number;
                }[];
                moves: {
                    element: string;
                    /**
                     * Format: double
                     * @description points of the total
                     */
                    gain: number;
                    says: string;
                }[];
                laid: components["schemas"]["TrayDocument"];
                /**
                 * Format: double
                 * @description seconds over the clock
                 */
                over: number;
            };
            solution: {
                laid?: components["schemas"]["TrayDocument"];
                /** Format: double */
                score?: number;
                faults?: {
                    check: string;
                    rule: string;
                    elements: string[];
                    at: number[];
                    says: string;
                }[];
                order?: string[];
                before?: string[][];
                right?: string[];
                values?: {
                    id: string;
                    /** Format: double */
                    is: number;
                    says: string;
                }[];
                because: {
                    id?: string;
                    says: string;
                }[];
            };
        };
        /** @enum {string} */
        Lens: "families" | "grey" | "without-green" | "wet" | "height" | "reach" | "allergens" | "flow" | "gaps" | "pairs" | "kinds" | "without-red" | "without-blue" | "eaten" | "bites" | "tasting";
        LensAsked: {
            tray: components["schemas"]["TrayDocument"];
            lens: components["schemas"]["Lens"];
            /** @description what it is asked about, where it may be asked: an allergen */
            word?: string;
        };
        LensView: {
            lens: components["schemas"]["Lens"];
            title: string;
            /** @description what is to be seen */
            says: string;
            /** @description what it comes to, with its unit */
            number: string;
            /** @description a matrix on linear RGB through which the whole tray is seen */
            vision?: number[];
            tints: {
                element: string;
                colour: string;
                says: string;
                /** @description told by the legend alone */
                quiet: boolean;
            }[];
            key: {
                colour: string;
                says: string;
                count: number;
            }[];
            lines: {
                path: number[][];
                bad: boolean;
                says: string;
                /** @description it has a direction */
                ends: boolean;
            }[];
            discs: {
                at: number[];
                /** Format: double */
                r: number;
                bad: boolean;
                says: string;
            }[];
            areas: {
                outline: number[][];
                bad: boolean;
                says: string;
            }[];
            /** @description what it may be asked about */
            words: string[];
            word?: string;
        };
        LikeAsked: {
            tray: components["schemas"]["TrayDocument"];
            job: string;
            /**
             * Format: int64
             * @description which of its saved states, the last when left out
             */
            revision?: number;
            /** @description which of that job's trays, the first when left out */
            which?: number;
        };
        /** @description one thing that a hand does to a tray: move (to, hugs, alone), form (form, alone), amount (count), vessel (vessel), lift (lift_mm), circle (deg), open (open), bend (path); lay, take-off, lock, unlock, duplicate, split, pile, lean, hide-foot; swap and join want two ids */
        Command: {
            /** @enum {string} */
            kind: "move" | "lay" | "take-off" | "lock" | "unlock" | "form" | "swap" | "duplicate" | "split" | "join" | "amount" | "vessel" | "lift" | "circle" | "open" | "bend" | "pile" | "lean" | "hide-foot";
            /** @description elements it is done to; of several that are moved, the one that the hand has hold of first */
            ids: string[];
            /** @description where the first is put; the others go as it does */
            to?: {
                /** Format: double */
                x: number;
                /** Format: double */
                y: number;
                /** Format: double */
                turn_deg: number;
            };
            /** @description whether it is drawn against what it comes near to, and an arc round what it lies against */
            hugs?: boolean;
            /** @description whether nothing else makes room */
            alone?: boolean;
            form?: string;
            count?: number;
            /** @description left out: the next that holds it */
            vessel?: string;
            /** Format: double */
            lift_mm?: number;
            /** Format: double */
            deg?: number;
            /** Format: double */
            open?: number;
            path?: number[][];
        };
        EditAsked: {
            /**
             * Format: int64
             * @description the saved state that the command is done to
             */
            revision: number;
            /** @description which of the job's trays, the first when left out */
            tray?: number;
            command: components["schemas"]["Command"];
            /** @description whether nothing is kept */
            preview?: boolean;
            /** @description preview of a move: the hand rests, so what is told is what putting down there comes to */
            rests?: boolean;
        };
        EditAnswer: {
            /**
             * Format: int64
             * @description the saved state that the answer is of: the next one, unless it is a preview
             */
            revision: number;
            /**
             * Format: date-time
             * @description left out in a preview
             */
            saved_at?: string;
            /** @description elements that are new or otherwise than before, in the order of the tray, new ones last; none in the preview of a move */
            changed: components["schemas"]["ElementDocument"][];
            /** @description elements that are no more */
            gone: string[];
            /** @description the tray's vessels, where one has come */
            vessels?: components["schemas"]["VesselDocument"][];
            /** @description the tray's reserve, where it is otherwise than before */
            reserve?: components["schemas"]["ReserveDocument"][];
            /** @description what was done, as the history has it */
            says?: string;
            displaced: components["schemas"]["Displaced"];
            carried?: components["schemas"]["CarriedAnswer"];
            review: components["schemas"]["Review"];
        };
        /** @description what was done to what the command is not of */
        Displaced: {
            /** @description elements that found no room and wait beside the board */
            lifted: string[];
            /** @description elements of which some pieces found no room and went to reserve */
            fewer: components["schemas"]["Fewer"][];
            /**
             * Format: double
             * @description by how much less far it went than it was put, because the edge or a handle was in the way
             */
            drawn_in_mm: number;
            /** @description elements that were to be laid where there is room and lie in the middle as there is none */
            no_room: string[];
        };
        /** @description how a tray lies while something is held over it */
        CarriedAnswer: {
            /** @description x, y and turn in degrees of what is held as it would be put down: drawn inside, and against what it comes near to */
            at: number[];
            /** @description pieces that lie otherwise than they were saved, as element, piece, x, y, turn in degrees */
            shifts: number[][];
            /** @description elements that find no room where they are */
            stuck: string[];
        };
        LaidAnswer: {
            tray: components["schemas"]["TrayDocument"];
            lifted: string[];
            fewer: components["schemas"]["Fewer"][];
        };
        Fewer: {
            id: string;
            pieces: number;
        };
        ChoiceAsked: {
            brief: components["schemas"]["BriefDocument"];
            /** @description what is on the trays, where that is to be looked at */
            on?: components["schemas"]["OnTray"][];
        };
        OnTray: {
            food: string;
            form: string;
        };
        Choice: {
            /** @description what is other than this host had the last time, and what is to be known of the choice */
            says: string[];
            /** @description a plate apart for some guests would leave much to the others */
            apart: boolean;
            chosen: components["schemas"]["Chosen"][];
            sides: components["schemas"]["Side"][];
            /** @description what is missing and the three best foods to fill it */
            needs: components["schemas"]["Need"][];
            /** @description what each group of guests can eat */
            servings: components["schemas"]["Serving"][];
            kinds: components["schemas"]["KindCount"][];
            /** @description what of it is eaten together */
            bites: components["schemas"]["Bite"][];
            /** @description what speaks against a food for this brief */
            shelves: components["schemas"]["Speaks"][];
        };
        ThemeTold: {
            /** @description false for a name that says nothing, and where there is no theme */
            known: boolean;
            /** @description the theme that it means, as it is known here; empty where none is known */
            name: string;
            /** @description what it does to a choice, a sentence for each */
            does: string[];
            /** @description the three whose names are most like one that is not known */
            nearest: string[];
            /** @description themes of the month of serving */
            offered: string[];
            /** @description when such an occasion usually is, 15:30, or empty */
            hour: string;
        };
        PackList: {
            /** @description one pack or packs in a line: 2 x 200 g brie */
            text: string;
        };
        PacksRead: {
            packs: components["schemas"]["PackRead"][];
            /** @description lines that name no food of the larder */
            unknown: string[];
        };
        PackRead: {
            food: string;
            /** @description what it was called, where that is not its name in the larder */
            name: string;
            /**
             * Format: double
             * @description in one pack, as bought
             */
            grams: number;
            count: number;
        };
        Bite: {
            /** @description as guests are told */
            name: string;
            /** @description the rich one first */
            foods: string[];
            /** @description of the strongest pair in it */
            why: string;
        };
        Offers: {
            offers: components["schemas"]["Offer"][];
        };
        Offer: {
            /**
             * @description what everybody takes, what is at its best, or what is new
             * @enum {string}
             */
            leaning: "liked" | "season" | "new";
            /** @description what sets it apart */
            says: string;
            foods: components["schemas"]["Portion"][];
            sides: components["schemas"]["Side"][];
            /** @description minor units */
            basket_cost: number;
            /** @description minor units */
            per_guest: number;
            /** @description how far it is over the budget; below 0 what is to spare */
            over: number;
            /**
             * Format: double
             * @description of handwork
             */
            minutes: number;
        };
        Portion: {
            food: string;
            form: string;
            /** Format: double */
            grams: number;
            colour: string;
            category: string;
        };
        Chosen: {
            food: string;
            form: string;
            /**
             * Format: double
             * @description 0 when nobody fixed it
             */
            grams: number;
            pinned: boolean;
            why: string;
            /**
             * Format: double
             * @description about how much carbohydrate is in a serving; told where a guest wants little of it
             */
            carb_g?: number;
        };
        Side: {
            name: string;
            have: string[];
            lack: string[];
        };
        Need: {
            says: string;
            group?: string;
            fillers: components["schemas"]["Filler"][];
        };
        Filler: {
            food: string;
            why: string;
        };
        Serving: {
            who: string;
            count: number;
            avoid: string[];
            foods: number;
            of: number;
            parts: components["schemas"]["Found"][];
        };
        Found: {
            says: string;
            foods: number;
        };
        KindCount: {
            category: string;
            want: number;
            have: number;
        };
        Speaks: {
            food: string;
            avoided: string;
            /** @description what is avoided and traces of which may be in it, or empty */
            traces: string;
            out_of_season: boolean;
            out_of_stock: boolean;
        };
        Health: {
            status: string;
            /** @description ok, or in a sentence what is the matter */
            database: string;
        };
        Problem: {
            type: string;
            title: string;
            status: number;
            detail?: string;
            field?: string;
            current?: components["schemas"]["Job"];
        };
        NewJob: {
            title: string;
            brief: components["schemas"]["BriefDocument"];
        };
        JobList: {
            jobs: components["schemas"]["JobSummary"][];
            /** @description the day it is in the house, 2026-11-30 */
            today: string;
            /** @description where there are further ones: ask for those after this job */
            more?: string;
        };
        JobSummary: {
            id: string;
            title: string;
            host: string;
            place: string;
            /** @description as the host wrote it */
            serve_at?: string;
            /**
             * Format: date-time
             * @description the minute of serving
             */
            due?: string;
            put_away: boolean;
            /** Format: int64 */
            revision: number;
            guests: number;
            occasion: string;
            /** @enum {string} */
            state: "briefed" | "picked" | "laid";
            laid: boolean;
            /** Format: double */
            score: number;
            /** Format: double */
            minutes?: number;
            next?: string;
        };
        Job: {
            id: string;
            /** Format: int64 */
            revision: number;
            document: components["schemas"]["TrayDocument"];
            undo: boolean;
            redo: boolean;
            /** Format: date-time */
            saved_at: string;
        };
        Saved: {
            /** Format: int64 */
            revision: number;
            /** Format: date-time */
            saved_at: string;
        };
        SavedState: {
            /** Format: int64 */
            number: number;
            says: string;
            name: string;
            /** Format: date-time */
            saved_at: string;
            document: components["schemas"]["TrayDocument"];
        };
        Revision: {
            /** @description given by hand, or none */
            name: string;
            /** Format: int64 */
            number: number;
            /** Format: int64 */
            parent: number;
            says: string;
            /** Format: date-time */
            saved_at: string;
        };
        Larder: {
            foods: components["schemas"]["Food"][];
            boards: components["schemas"]["BoardCard"][];
            stands: components["schemas"]["StandCard"][];
            vessels: components["schemas"]["VesselCard"][];
        };
        Food: {
            id: string;
            name: string;
            category: string;
            colour: string;
            firmness?: string;
            milk?: string;
            texture: string;
            strength: number;
            /** Format: double */
            liking: number;
            flavours: string[];
            allergens: string[];
            diet: string[];
            season: number[];
            in_season_all_year: boolean;
            /** @description kept for the trays that use it */
            put_away: boolean;
            /** @description changes whenever its drawing may */
            version: string;
            forms: components["schemas"]["FormOfLarder"][];
        };
        FormOfLarder: {
            form: string;
            says: string;
            /** Format: double */
            mass_g: number;
            /** @description how it is laid: anchor, row, trail, loose or garnish */
            kind: string;
            /** @description whether an element that lies on a board can be given this form */
            takes: boolean;
        };
        /** @description a tiered stand, which in a brief is its boards from the bottom up */
        StandCard: {
            id: string;
            name: string;
            boards: string[];
        };
        BoardCard: {
            id: string;
            name: string;
            /** Format: double */
            length_mm: number;
            /** Format: double */
            width_mm: number;
            /** Format: double */
            area_cm2: number;
            material: string;
            colour: string;
            put_away: boolean;
        };
        VesselCard: {
            id: string;
            name: string;
            round: boolean;
            /** Format: double */
            height_mm: number;
            /** Format: double */
            capacity_ml: number;
        };
        Surface: {
            boards: string[];
            name: string;
            /** Format: double */
            area_cm2: number;
            /**
             * Format: double
             * @description share of it that the food takes
             */
            fill: number;
            says: string;
        };
        Outlook: {
            /** @description a plate apart for some guests would leave much to the others */
            apart: boolean;
            /** @description guests that the packs of the brief make a board for; 0 where there are none */
            carries: number;
            /** @description the usual limit for food out of the fridge */
            holding: string;
            /**
             * Format: double
             * @description how long perishable food may stand out there
             */
            hold_minutes: number;
            /**
             * Format: double
             * @description how long guests graze
             */
            lasts_minutes: number;
            trays: {
                name: string;
                who: string;
                copies: number;
                /** Format: double */
                share: number;
            }[];
            /**
             * Format: double
             * @description how much board the food asks for
             */
            room_cm2: number;
            /** Format: double */
            reserve_g: number;
            /** @description boards and sets of boards that carry it */
            surfaces: components["schemas"]["Surface"][];
            /** @description in all; 0 for none */
            budget: number;
            /** @description how far the basket is over the budget, below 0 what is to spare; 0 without one */
            over: number;
            /** Format: double */
            appetites: number;
            grams: {
                category: string;
                /** Format: double */
                grams: number;
            }[];
            /** Format: double */
            total_g: number;
            kinds: {
                category: string;
                count: number;
            }[];
            off_the_tray: string[];
            board: components["schemas"]["BoardCard"];
            /** Format: double */
            minutes: number;
            basket_cost: number;
            says: string[];
        };
        Progress: {
            /** @description how many searches come before this one, while it waits for its turn */
            waiting?: number;
            tried: number;
            /** Format: double */
            share: number;
            /** Format: double */
            score: number;
            done: boolean;
            tray?: components["schemas"]["TrayDocument"];
            unfit?: components["schemas"]["Unfit"][];
            /** @description the least changes with which everything would fit, each tried */
            would?: string[];
            /** @description layouts that differ, the best first */
            ways?: components["schemas"]["Way"][];
        };
        Unfit: {
            food: string;
            pieces: number;
            /** Format: double */
            area_cm2: number;
            says: string;
        };
        Way: {
            style: components["schemas"]["Style"];
            /** Format: double */
            score: number;
            /**
             * Format: double
             * @description how far its anchors lie from those of the nearest other way, over the board's half-diagonal
             */
            differs: number;
            /** @description what it is ahead in */
            says: string;
            tray: components["schemas"]["TrayDocument"];
        };
        Review: {
            /** Format: double */
            score: number;
            groups: {
                [key: string]: number;
            };
            checks: {
                id: string;
                /** Format: double */
                value: number;
                unit: string;
                /** Format: double */
                score: number;
            }[];
            findings: components["schemas"]["Finding"][];
        };
        /** @description what is said, as data: which sentence, and what it is of, each value under its kind: {"mm": 45} */
        Sentence: {
            code: string;
            with?: {
                [key: string]: (string | number | {
                    [key: string]: unknown;
                }[]) | null;
            }[];
        };
        Finding: {
            check: string;
            /** @enum {string} */
            severity: "stop" | "mend" | "note";
            elements: string[];
            at: number[];
            /** @description in English, in mm, g and °C */
            says: string;
            /** @description the same in the house's units, where those are others */
            shown?: string;
            sentence?: components["schemas"]["Sentence"];
            fix?: components["schemas"]["Fix"];
            /** @description where it is found more than once, the worst first; elements are those of all */
            places?: {
                elements: string[];
                at: number[];
                says: string;
                shown?: string;
                sentence?: components["schemas"]["Sentence"];
            }[];
        };
        Fix: {
            element: string;
            /** Format: double */
            x: number;
            /** Format: double */
            y: number;
            /** Format: double */
            turn_deg: number;
            says: string;
            /** Format: double */
            gain: number;
        } | null;
        Derived: {
            /** Format: int64 */
            revision: number;
            review: components["schemas"]["Review"];
            basket: components["schemas"]["Basket"];
            prep: components["schemas"]["PrepSheet"];
        };
        SavedScene: {
            /** Format: int64 */
            revision: number;
            scene: components["schemas"]["Scene"];
        };
        Scene: {
            /** @description of bread and crackers, that stand beside the board from the first minute */
            plates: {
                /** Format: double */
                across_mm: number;
                /** @description its middle, as the board has it, mm */
                at: number[];
                pieces: {
                    food: string;
                    form: string;
                    variant: number;
                    /** @description round the plate's middle, mm */
                    at: number[];
                    /** Format: double */
                    turn_deg: number;
                }[];
                foods: string[];
                /**
                 * Format: double
                 * @description what lies on it
                 */
                grams: number;
                /**
                 * Format: double
                 * @description what waits in boxes to be refilled, of all plates together
                 */
                held_g: number;
                /** @description a small document, the plate's middle in its middle; empty where the plate before it is laid alike */
                svg: string;
            }[];
            /** @description what guests take with, over what is laid */
            tools: {
                name: string;
                /** @description what is taken with it */
                elements: string[];
                /**
                 * Format: double
                 * @description of its tip, mm
                 */
                x: number;
                /** Format: double */
                y: number;
                /**
                 * Format: double
                 * @description from its tip to its end
                 */
                turn_deg: number;
                /** Format: double */
                long_mm: number;
                outline: number[][];
                /**
                 * Format: double
                 * @description how high what it rests on stands
                 */
                z_mm: number;
                /** @description with its tip at the origin and its handle along x */
                svg: string;
            }[];
            /** @description where each element lies, as one would say it standing before the board */
            places: string[];
            /** @description next to what each element lies, or nothing */
            beside: string[];
            box: number[];
            board: string;
            drawings: {
                [key: string]: {
                    svg: string;
                    /** @description path data of what casts its shadow */
                    shade: string;
                    /** @description where all of it lies round its origin: x, y, width, height, mm */
                    box: number[];
                };
            };
            defs: {
                [key: string]: string;
            };
            bands: {
                pieces: {
                    e: number;
                    /** @description which of its element's pieces */
                    p: number;
                    use: string;
                    /** Format: double */
                    x: number;
                    /** Format: double */
                    y: number;
                    /** Format: double */
                    turn: number;
                    /** Format: double */
                    shift: number;
                }[];
            }[];
        };
        Basket: {
            /** @description packs of several foods whose grams and money are on the lines of their foods */
            mixed?: {
                name: string;
                price: number;
                count: number;
                holds: components["schemas"]["Held"][];
            }[];
            /** @description what a guest of each group finds, if all share what they may eat; empty where each has a tray of their own */
            groups: {
                who: string;
                count: number;
                /** Format: double */
                wants_g: number;
                /** Format: double */
                finds_g: number;
            }[];
            /** @description in all; 0 for none */
            budget: number;
            /** @description how far the basket is over the budget, below 0 what is to spare; 0 without one */
            over: number;
            /**
             * Format: double
             * @description of handwork for all trays
             */
            minutes: number;
            /** @description what is used from the cupboard at today's prices by weight */
            cupboard_cost: number;
            /** Format: double */
            on_tray_g: number;
            /** Format: double */
            reserve_g: number;
            basket_cost: number;
            used_cost: number;
            per_guest: number;
            lines: {
                /** @description the shop has none today */
                out_of_stock: boolean;
                /** @description the coming job that what stays over could go into */
                next?: {
                    job: string;
                    title: string;
                    says: string;
                };
                food: string;
                name: string;
                category: string;
                /** Format: double */
                on_tray_g: number;
                /** Format: double */
                reserve_g: number;
                pieces: number;
                /**
                 * Format: double
                 * @description of what is needed there already
                 */
                cupboard_g: number;
                /**
                 * Format: double
                 * @description share of what is bought that is laid
                 */
                yield: number;
                /**
                 * Format: double
                 * @description in all packs, as bought
                 */
                bought_g: number;
                packs: components["schemas"]["Packs"][];
                basket_cost: number;
                used_cost: number;
                /** Format: double */
                left_g: number;
                /** @description there is a recipe for it */
                makeable?: boolean;
                /** @description what is bought to make it in the house; left out where it is bought */
                parts?: {
                    name: string;
                    /** Format: double */
                    grams: number;
                    /** @description minor units */
                    cost: number;
                }[];
                /** @description what stays over is eaten in the house anyway */
                house_eats?: boolean;
                keeps_days: number;
                /** Format: double */
                handwork_seconds: number;
                explanation?: string;
            }[];
        };
        Day: {
            /** @description RFC 3339 */
            serve_at: string;
            begin_at: string;
            /** @description where the trays travel */
            leave_at?: string;
            /** @description by when what perishes must be gone from the table */
            clear_at: string;
            /** @description the brief says no time; it is reckoned to a made-up one */
            relative?: boolean;
            /** Format: double */
            late_minutes: number;
            people: number;
            ovens: number;
            /** @description by kind of work, how long hands take here of what the data say, as the day is reckoned; left out where nothing is known */
            pace?: {
                [key: string]: number;
            };
            tasks: components["schemas"]["DayTask"][];
            /** @description the same tasks as people work: what is done in one go, in the order of their beginnings */
            rounds: components["schemas"]["DayRound"][];
            cold_out: {
                food: string;
                at: string;
                says: string;
                job?: string;
            }[];
            /** @description how long what perishes on each tray is out of the cold before serving, by the tasks, and by when it must go */
            trays?: {
                tray: number;
                /** @description of boards that follow each other, from 2; left out for the first */
                wave?: number;
                /** @description of boards that are served again, from 2; left out for the first */
                sitting?: number;
                job?: string;
                /** @description empty where nothing on it perishes */
                clear_at: string;
                out: {
                    food: string;
                    /** Format: double */
                    minutes_before_serving: number;
                    clear_at: string;
                }[];
            }[];
            kit: {
                what: string;
                stage?: string;
                /** @description where in the kitchen it is wanted on a day that is worked at stations */
                station?: string;
                count: number;
                for: string[];
            }[];
            cautions: string[];
            /** @description of a day with several */
            jobs?: {
                job: string;
                title: string;
                serve_at: string;
                leave_at?: string;
                clear_at: string;
            }[];
            /** @description where its shelves are counted: the room that cold food takes before the work begins */
            fridge?: {
                /** Format: double */
                litres: number;
                shelves: number;
                /** @description shelves */
                needs: number;
            };
            /** @description where the work is done, where several share it; left out elsewhere */
            stations?: {
                id: string;
                says: string;
                /**
                 * Format: double
                 * @description by hand, of all who are at it
                 */
                minutes: number;
                starts: string;
                ends: string;
                hands: {
                    who: string;
                    /** Format: double */
                    minutes: number;
                }[];
                /** @description pairs of hands at once */
                most: number;
                tasks: string[];
            }[];
            /** @description the boards, where there are several, in the order in which they are laid; left out elsewhere */
            bays?: {
                job?: string;
                tray: number;
                /** @description its board */
                says: string;
                /**
                 * Format: double
                 * @description of laying, by hand
                 */
                minutes: number;
                starts: string;
                ends: string;
                /** @description in the order in which they are laid before it leaves or is chilled */
                foods: string[];
                /** @description what is laid where and when it is served */
                last: string[];
                finish_starts?: string;
                /** @description of that */
                finish_ends?: string;
            }[];
            /** @description what is bought when, by the stretch of work that it is first needed in; left out where the work is done in one go */
            buy?: {
                before: string;
                /** @description when the shop is open for the last time before that; left out where nobody says when it is */
                by?: string;
                foods: string[];
            }[];
            /** @description when work would begin with fewer pairs of hands and with more; early where something would be done before its time for want of hands */
            crews?: {
                people: number;
                begin_at: string;
                early?: boolean;
            }[];
            /** @description changes that let all begin later, and by how many minutes */
            savings?: {
                says: string;
                /** Format: double */
                minutes: number;
            }[];
        };
        Holding: {
            /** @description from when its minutes out of the cold count, as it was ticked, those before it was chilled added; left out while none is out */
            since?: string;
            clear_at?: string;
            /** @description the same by the day's plan, for as long as nobody ticks; left out without a serving time */
            planned_clear_at?: string;
            /** Format: double */
            left_min: number;
            /** Format: double */
            hold_min: number;
            /** @description the same of what lies on each tray */
            trays: {
                since?: string;
                clear_at?: string;
                planned_clear_at?: string;
                /** Format: double */
                left_min: number;
            }[];
            probes: {
                probe: string;
                /**
                 * Format: double
                 * @description degrees C
                 */
                c: number;
                /** Format: date-time */
                at: string;
            }[];
            says: string[];
        };
        ScaleReading: {
            /** @description the house has a scale */
            there: boolean;
            simulated: boolean;
            /** Format: double */
            grams: number;
            steady: boolean;
            /** @description more lies on it than it weighs */
            over: boolean;
            /** @description why there is no reading */
            says: string;
        };
        LoadAsked: {
            /** Format: double */
            grams: number;
        };
        WeightAsked: {
            food: string;
            form: string;
            /** Format: double */
            grams: number;
        };
        Weights: {
            portions: {
                food: string;
                form: string;
                /** Format: double */
                grams: number;
                /**
                 * Format: double
                 * @description what it is cut from, as bought
                 */
                bought_g: number;
                /**
                 * Format: double
                 * @description of one piece, 0 where it is not counted
                 */
                piece_g: number;
                /**
                 * Format: double
                 * @description how far off is right
                 */
                within_g: number;
            }[];
            weights: {
                food: string;
                form: string;
                /** Format: double */
                grams: number;
                /** Format: date-time */
                at: string;
            }[];
        };
        Ticks: {
            ticks: {
                task: string;
                /** Format: date-time */
                at: string;
            }[];
        };
        PinAsked: {
            /** @description RFC 3339; left out to let it go */
            starts?: string;
        };
        TickAsked: {
            done: boolean;
        };
        DayRound: {
            id: string;
            says: string;
            starts: string;
            ends: string;
            /**
             * Format: double
             * @description by hand, of all who are at it
             */
            minutes: number;
            who: string[];
            /** @description by their ids */
            tasks: string[];
        };
        DayTask: {
            id: string;
            /** @description the round that it is part of, by its id */
            round: string;
            kind: string;
            food: string;
            form?: string;
            says: string;
            tool?: string;
            count: number;
            /** Format: double */
            grams?: number;
            /** Format: double */
            minutes: number;
            starts: string;
            ends: string;
            /** @description 1 for the first of the people; empty for what goes on by itself */
            who: string;
            uses: string[];
            after: string[];
            elements: string[];
            tray?: number;
            earliest: string;
            latest: string;
            critical: boolean;
            late?: boolean;
            /** @description it was moved by hand */
            pinned?: boolean;
            /** @description of several, those it is for */
            jobs?: string[];
        };
        PrepSheet: {
            /** @description what to drink with the tray, one without alcohol first */
            drinks: {
                name: string;
                alcohol: boolean;
                why: string;
            }[];
            /**
             * Format: double
             * @description minutes before serving at which to begin
             */
            begin_min: number;
            /** Format: double */
            minutes: number;
            /** Format: double */
            cold_out_min: number;
            cautions: string[];
            kit: {
                what: string;
                stage?: string;
                /** @description where in the kitchen it is wanted on a day that is worked at stations */
                station?: string;
                count: number;
                for: string[];
            }[];
            steps: {
                /** @description steps that must come before it, and why */
                after: {
                    step: number;
                    why: string;
                }[];
                number: number;
                title: string;
                says: string;
                elements: string[];
                food: string;
                form: string;
                pieces: number;
                /** Format: double */
                grams: number;
                groups: number;
                /** Format: double */
                minutes: number;
                late: boolean;
                /** @description of the order of laying that it belongs to, as bowls or cheese */
                part?: string;
                /** @description the board is ready ahead, and this is laid when it was out of the cold again: its place is held open */
                held?: boolean;
            }[];
        };
    };
    responses: {
        /** @description What is wrong and what to do */
        Problem: {
            headers: {
                [name: string]: unknown;
            };
            content: {
                "application/problem+json": components["schemas"]["Problem"];
            };
        };
    };
    parameters: {
        /** @description how many prepare; as many as the house has when left out */
        People: number;
        /** @description how many ovens there are; as many as the house has when left out */
        Ovens: number;
        ThingId: string;
        KeptKind: components["schemas"]["KeptKind"];
        /** @description The version this change was made from, 0 for something new */
        IfVersion: string;
        /** @description of this job */
        ListJob: string;
        /** @description of all jobs of the week that this day is in, 2026-11-30 */
        ListWeek: string;
        RevisionNumber: number;
        /** @description which of the job's trays, 0 for the first */
        WhichTray: number;
        /** @description a name that was given to this entry where it was made: it counts once, however often it is sent */
        EntryKey: string;
        /** @description how long ago it was made, where it could not be sent at once */
        EntryAgo: number;
        JobId: string;
        /** @description The ETag of the revision this change was made from */
        IfMatch: string;
    };
    requestBodies: never;
    headers: never;
    pathItems: never;
}
export type $defs = Record<string, never>;
export interface operations {
    health: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description Both answer */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Health"];
                };
            };
            /** @description The database does not answer */
            503: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Health"];
                };
            };
        };
    };
    ready: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description They should */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Health"];
                };
            };
            /** @description Send them elsewhere */
            503: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Health"];
                };
            };
        };
    };
    larder: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description The larder */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Larder"];
                };
            };
        };
    };
    foodPicture: {
        parameters: {
            query?: {
                form?: string;
                /** @description without what cannot be seen at the size of a thumb */
                thumb?: boolean;
                /** @description Version, so that browsers keep the drawing */
                v?: string;
            };
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description The drawing */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "image/svg+xml": string;
                };
            };
            default: components["responses"]["Problem"];
        };
    };
    listJobs: {
        parameters: {
            query?: {
                /** @description what is to come or has no time yet, soonest first (when left out); what was, or what was put away, latest first */
                which?: "coming" | "past" | "away";
                /** @description part of the title, the host or the place */
                text?: string;
                /** @description the last job of the page before */
                after?: string;
            };
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description Jobs */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["JobList"];
                };
            };
            default: components["responses"]["Problem"];
        };
    };
    createJob: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["NewJob"];
            };
        };
        responses: {
            /** @description The job */
            201: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Job"];
                };
            };
            default: components["responses"]["Problem"];
        };
    };
    getJob: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: components["parameters"]["JobId"];
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description The job */
            200: {
                headers: {
                    ETag?: string;
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Job"];
                };
            };
            default: components["responses"]["Problem"];
        };
    };
    saveJob: {
        parameters: {
            query?: {
                /** @description What was changed, in a few words */
                says?: string;
            };
            header: {
                /** @description The ETag of the revision this change was made from */
                "If-Match": components["parameters"]["IfMatch"];
            };
            path: {
                id: components["parameters"]["JobId"];
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["TrayDocument"];
            };
        };
        responses: {
            /** @description Saved */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Saved"];
                };
            };
            /** @description Changed elsewhere; holds the other version */
            412: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            default: components["responses"]["Problem"];
        };
    };
    putAway: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: components["parameters"]["JobId"];
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description Put away */
            204: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            default: components["responses"]["Problem"];
        };
    };
    takeOut: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: components["parameters"]["JobId"];
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description Taken out */
            204: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            default: components["responses"]["Problem"];
        };
    };
    undo: {
        parameters: {
            query?: never;
            header: {
                /** @description The ETag of the revision this change was made from */
                "If-Match": components["parameters"]["IfMatch"];
            };
            path: {
                id: components["parameters"]["JobId"];
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description The job as it was */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Job"];
                };
            };
            default: components["responses"]["Problem"];
        };
    };
    redo: {
        parameters: {
            query?: never;
            header: {
                /** @description The ETag of the revision this change was made from */
                "If-Match": components["parameters"]["IfMatch"];
            };
            path: {
                id: components["parameters"]["JobId"];
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description The job */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Job"];
                };
            };
            default: components["responses"]["Problem"];
        };
    };
    revisions: {
        parameters: {
            query?: {
                /** @description the number of the last revision of the page before */
                before?: number;
            };
            header?: never;
            path: {
                id: components["parameters"]["JobId"];
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description Revisions */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Revision"][];
                };
            };
            default: components["responses"]["Problem"];
        };
    };
    head: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: components["parameters"]["JobId"];
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description Its number */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": {
                        /** Format: int64 */
                        revision: number;
                    };
                };
            };
            default: components["responses"]["Problem"];
        };
    };
    revision: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: components["parameters"]["JobId"];
                number: components["parameters"]["RevisionNumber"];
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description The state */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["SavedState"];
                };
            };
            default: components["responses"]["Problem"];
        };
    };
    nameRevision: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: components["parameters"]["JobId"];
                number: components["parameters"]["RevisionNumber"];
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": {
                    name: string;
                };
            };
        };
        responses: {
            /** @description It is named */
            204: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            default: components["responses"]["Problem"];
        };
    };
    revisionPicture: {
        parameters: {
            query?: {
                /** @description which of the job's trays, 0 for the first */
                tray?: components["parameters"]["WhichTray"];
            };
            header?: never;
            path: {
                id: components["parameters"]["JobId"];
                number: components["parameters"]["RevisionNumber"];
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description The drawing */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "image/svg+xml": string;
                };
            };
            default: components["responses"]["Problem"];
        };
    };
    jobDay: {
        parameters: {
            query?: {
                /** @description how many prepare; as many as the house has when left out */
                people?: components["parameters"]["People"];
                /** @description how many ovens there are; as many as the house has when left out */
                ovens?: components["parameters"]["Ovens"];
                /** @description only what is not done yet, planned anew from now */
                left?: boolean;
            };
            header?: never;
            path: {
                id: components["parameters"]["JobId"];
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description The day */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Day"];
                };
            };
            default: components["responses"]["Problem"];
        };
    };
    scale: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description The newest reading */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["ScaleReading"];
                };
            };
            default: components["responses"]["Problem"];
        };
    };
    tareScale: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description It was told */
            204: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            default: components["responses"]["Problem"];
        };
    };
    loadScale: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["LoadAsked"];
            };
        };
        responses: {
            /** @description It lies there */
            204: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            default: components["responses"]["Problem"];
        };
    };
    holding: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: components["parameters"]["JobId"];
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description The clock */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Holding"];
                };
            };
            default: components["responses"]["Problem"];
        };
    };
    weights: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: components["parameters"]["JobId"];
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description The weights */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Weights"];
                };
            };
            default: components["responses"]["Problem"];
        };
    };
    setWeight: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: components["parameters"]["JobId"];
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["WeightAsked"];
            };
        };
        responses: {
            /** @description Recorded */
            204: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            default: components["responses"]["Problem"];
        };
    };
    takeWeights: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: components["parameters"]["JobId"];
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description What changed */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["WeightsTaken"];
                };
            };
            default: components["responses"]["Problem"];
        };
    };
    forecast: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: components["parameters"]["JobId"];
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description The forecast */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Forecast"];
                };
            };
            default: components["responses"]["Problem"];
        };
    };
    evening: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: components["parameters"]["JobId"];
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description The evening */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Evening"];
                };
            };
            default: components["responses"]["Problem"];
        };
    };
    saveEvening: {
        parameters: {
            query?: never;
            header: {
                /** @description The version this change was made from, 0 for something new */
                "If-Match": components["parameters"]["IfVersion"];
            };
            path: {
                id: components["parameters"]["JobId"];
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["Evening"];
            };
        };
        responses: {
            /** @description Kept */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Evening"];
                };
            };
            default: components["responses"]["Problem"];
        };
    };
    dropEvening: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: components["parameters"]["JobId"];
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description It is gone */
            204: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            default: components["responses"]["Problem"];
        };
    };
    changeEvening: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: components["parameters"]["JobId"];
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["EveningChange"];
            };
        };
        responses: {
            /** @description The evening */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Evening"];
                };
            };
            default: components["responses"]["Problem"];
        };
    };
    noteGone: {
        parameters: {
            query?: {
                /** @description how long ago it was made, where it could not be sent at once */
                ago_s?: components["parameters"]["EntryAgo"];
            };
            header?: {
                /** @description a name that was given to this entry where it was made: it counts once, however often it is sent */
                "Idempotency-Key"?: components["parameters"]["EntryKey"];
            };
            path: {
                id: components["parameters"]["JobId"];
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["GoneAsked"];
            };
        };
        responses: {
            /** @description The evening */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Evening"];
                };
            };
            default: components["responses"]["Problem"];
        };
    };
    topUp: {
        parameters: {
            query?: {
                /** @description how long ago it was made, where it could not be sent at once */
                ago_s?: components["parameters"]["EntryAgo"];
            };
            header?: {
                /** @description a name that was given to this entry where it was made: it counts once, however often it is sent */
                "Idempotency-Key"?: components["parameters"]["EntryKey"];
            };
            path: {
                id: components["parameters"]["JobId"];
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["ToppedAsked"];
            };
        };
        responses: {
            /** @description The evening */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Evening"];
                };
            };
            default: components["responses"]["Problem"];
        };
    };
    takeBackTopUp: {
        parameters: {
            query?: {
                /** @description how long ago it was made, where it could not be sent at once */
                ago_s?: components["parameters"]["EntryAgo"];
            };
            header?: {
                /** @description a name that was given to this entry where it was made: it counts once, however often it is sent */
                "Idempotency-Key"?: components["parameters"]["EntryKey"];
            };
            path: {
                id: components["parameters"]["JobId"];
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description The evening */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Evening"];
                };
            };
            default: components["responses"]["Problem"];
        };
    };
    keepRemains: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: components["parameters"]["JobId"];
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["KeepRemainsAsked"];
            };
        };
        responses: {
            /** @description The evening */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Evening"];
                };
            };
            default: components["responses"]["Problem"];
        };
    };
    addNote: {
        parameters: {
            query?: {
                /** @description how long ago it was made, where it could not be sent at once */
                ago_s?: components["parameters"]["EntryAgo"];
            };
            header?: {
                /** @description a name that was given to this entry where it was made: it counts once, however often it is sent */
                "Idempotency-Key"?: components["parameters"]["EntryKey"];
            };
            path: {
                id: components["parameters"]["JobId"];
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["NoteAsked"];
            };
        };
        responses: {
            /** @description The evening */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Evening"];
                };
            };
            default: components["responses"]["Problem"];
        };
    };
    photos: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: components["parameters"]["JobId"];
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description The list */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["PhotoList"];
                };
            };
            default: components["responses"]["Problem"];
        };
    };
    addPhoto: {
        parameters: {
            query?: {
                /** @description how long ago it was made, where it could not be sent at once */
                ago_s?: components["parameters"]["EntryAgo"];
            };
            header?: {
                /** @description a name that was given to this entry where it was made: it counts once, however often it is sent */
                "Idempotency-Key"?: components["parameters"]["EntryKey"];
            };
            path: {
                id: components["parameters"]["JobId"];
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "image/png": string;
                "image/jpeg": string;
            };
        };
        responses: {
            /** @description Kept */
            201: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["PhotoKept"];
                };
            };
            default: components["responses"]["Problem"];
        };
    };
    photo: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: components["parameters"]["JobId"];
                photo: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description The photograph */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "image/jpeg": string;
                };
            };
            default: components["responses"]["Problem"];
        };
    };
    dropPhoto: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: components["parameters"]["JobId"];
                photo: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description It is gone */
            204: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            default: components["responses"]["Problem"];
        };
    };
    besidePlan: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: components["parameters"]["JobId"];
                photo: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["BesideAsked"];
            };
        };
        responses: {
            /** @description Where hands departed from the plan */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Beside"];
                };
            };
            default: components["responses"]["Problem"];
        };
    };
    straightPhoto: {
        parameters: {
            query?: {
                tray?: number;
                /** @description so that browsers ask anew where corners were moved */
                v?: string;
            };
            header?: never;
            path: {
                id: components["parameters"]["JobId"];
                photo: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description The picture */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "image/jpeg": string;
                };
            };
            default: components["responses"]["Problem"];
        };
    };
    logbook: {
        parameters: {
            query?: {
                /** @description of this crowd only */
                crowd?: string;
                /** @description with this food only */
                food?: string;
                /** @description of this year only */
                year?: number;
            };
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description The logbook */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Logbook"];
                };
            };
            default: components["responses"]["Problem"];
        };
    };
    exportLogbook: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description The table */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "text/csv": string;
                };
            };
            default: components["responses"]["Problem"];
        };
    };
    jobBundle: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: components["parameters"]["JobId"];
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description The zip */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/zip": string;
                };
            };
            default: components["responses"]["Problem"];
        };
    };
    houseBundle: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description The zip */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/zip": string;
                };
            };
            default: components["responses"]["Problem"];
        };
    };
    bringIn: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/zip": string;
            };
        };
        responses: {
            /** @description What came in */
            201: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["BroughtIn"];
                };
            };
            default: components["responses"]["Problem"];
        };
    };
    dayOf: {
        parameters: {
            query?: {
                /** @description how many prepare; as many as the house has when left out */
                people?: components["parameters"]["People"];
                /** @description how many ovens there are; as many as the house has when left out */
                ovens?: components["parameters"]["Ovens"];
            };
            header?: never;
            path: {
                /** @description 2026-11-30 */
                date: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description The day */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Day"];
                };
            };
            default: components["responses"]["Problem"];
        };
    };
    daySheet: {
        parameters: {
            query: {
                /** @description how many prepare; as many as the house has when left out */
                people?: components["parameters"]["People"];
                /** @description how many ovens there are; as many as the house has when left out */
                ovens?: components["parameters"]["Ovens"];
                kind: "calendar" | "table";
            };
            header?: never;
            path: {
                /** @description 2026-11-30 */
                date: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description The file */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "text/calendar": string;
                    "text/csv": string;
                };
            };
            default: components["responses"]["Problem"];
        };
    };
    ticks: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: components["parameters"]["JobId"];
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description The ticks */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Ticks"];
                };
            };
            default: components["responses"]["Problem"];
        };
    };
    pinTask: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: components["parameters"]["JobId"];
                task: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["PinAsked"];
            };
        };
        responses: {
            /** @description Noted */
            204: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            default: components["responses"]["Problem"];
        };
    };
    setTick: {
        parameters: {
            query?: {
                /** @description how long ago it was made, where it could not be sent at once */
                ago_s?: components["parameters"]["EntryAgo"];
            };
            header?: {
                /** @description a name that was given to this entry where it was made: it counts once, however often it is sent */
                "Idempotency-Key"?: components["parameters"]["EntryKey"];
            };
            path: {
                id: components["parameters"]["JobId"];
                task: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["TickAsked"];
            };
        };
        responses: {
            /** @description Noted */
            204: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            default: components["responses"]["Problem"];
        };
    };
    jobSheet: {
        parameters: {
            query: {
                /** @description which of the job's trays, 0 for the first */
                tray?: components["parameters"]["WhichTray"];
                kind: "mat" | "tracing" | "build" | "cards" | "markers" | "quote" | "calendar" | "table" | "mat-svg";
                paper?: "a4" | "a3" | "letter" | "whole";
                /** @description how many prepare; as many as the house has when left out */
                people?: components["parameters"]["People"];
                /** @description how many ovens there are; as many as the house has when left out */
                ovens?: components["parameters"]["Ovens"];
            };
            header?: never;
            path: {
                id: components["parameters"]["JobId"];
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description The file */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/pdf": string;
                    "text/calendar": string;
                    "text/csv": string;
                    "image/svg+xml": string;
                };
            };
            default: components["responses"]["Problem"];
        };
    };
    trayPicture: {
        parameters: {
            query?: {
                /** @description Revision, so that browsers keep the drawing */
                v?: number;
                /** @description without what cannot be seen where it is shown small, as on a ticket */
                afar?: boolean;
            };
            header?: never;
            path: {
                id: components["parameters"]["JobId"];
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description The drawing */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "image/svg+xml": string;
                };
            };
            default: components["responses"]["Problem"];
        };
    };
    jobDerived: {
        parameters: {
            query?: {
                /** @description which of the job's trays, 0 for the first */
                tray?: components["parameters"]["WhichTray"];
            };
            header?: never;
            path: {
                id: components["parameters"]["JobId"];
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description What follows */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Derived"];
                };
            };
            default: components["responses"]["Problem"];
        };
    };
    jobScene: {
        parameters: {
            query?: {
                /** @description which of the job's trays, 0 for the first */
                tray?: components["parameters"]["WhichTray"];
            };
            header?: never;
            path: {
                id: components["parameters"]["JobId"];
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description The scene */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["SavedScene"];
                };
            };
            default: components["responses"]["Problem"];
        };
    };
    edit: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: components["parameters"]["JobId"];
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["EditAsked"];
            };
        };
        responses: {
            /** @description What has changed */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["EditAnswer"];
                };
            };
            default: components["responses"]["Problem"];
        };
    };
    outlook: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["BriefDocument"];
            };
        };
        responses: {
            /** @description The outlook */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Outlook"];
                };
            };
            default: components["responses"]["Problem"];
        };
    };
    theme: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["BriefDocument"];
            };
        };
        responses: {
            /** @description What it does */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["ThemeTold"];
                };
            };
            default: components["responses"]["Problem"];
        };
    };
    readPacks: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["PackList"];
            };
        };
        responses: {
            /** @description What is meant */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["PacksRead"];
                };
            };
            default: components["responses"]["Problem"];
        };
    };
    substitutes: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["SubstitutesAsked"];
            };
        };
        responses: {
            /** @description Substitutes */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Substitute"][];
                };
            };
            default: components["responses"]["Problem"];
        };
    };
    plan: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["BriefDocument"];
            };
        };
        responses: {
            /** @description The tray */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["TrayDocument"];
                };
            };
            default: components["responses"]["Problem"];
        };
    };
    replan: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["TrayDocument"];
            };
        };
        responses: {
            /** @description The tray */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["TrayDocument"];
                };
            };
            default: components["responses"]["Problem"];
        };
    };
    choice: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["ChoiceAsked"];
            };
        };
        responses: {
            /** @description The choice */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Choice"];
                };
            };
            default: components["responses"]["Problem"];
        };
    };
    choices: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["BriefDocument"];
            };
        };
        responses: {
            /** @description The choices */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Offers"];
                };
            };
            default: components["responses"]["Problem"];
        };
    };
    layLike: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["LikeAsked"];
            };
        };
        responses: {
            /** @description The tray as it lies then */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["LaidAnswer"];
                };
            };
            default: components["responses"]["Problem"];
        };
    };
    practicePath: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description The path */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["PracticePath"];
                };
            };
            default: components["responses"]["Problem"];
        };
    };
    makeExercise: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["ExerciseAsked"];
            };
        };
        responses: {
            /** @description The exercise */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Exercise"];
                };
            };
            default: components["responses"]["Problem"];
        };
    };
    practiceResults: {
        parameters: {
            query: {
                set: string;
            };
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description The results */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["PracticeResults"];
                };
            };
            default: components["responses"]["Problem"];
        };
    };
    addPracticeResult: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["PracticeResult"];
            };
        };
        responses: {
            /** @description The results, one's own last */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["PracticeResults"];
                };
            };
            default: components["responses"]["Problem"];
        };
    };
    practiceSheet: {
        parameters: {
            query: {
                seed: number;
                level: number;
                paper?: "a4" | "a3" | "letter";
            };
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description The sheet */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/pdf": string;
                };
            };
            default: components["responses"]["Problem"];
        };
    };
    markExercise: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["ExerciseAnswered"];
            };
        };
        responses: {
            /** @description The mark */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["ExerciseMark"];
                };
            };
            default: components["responses"]["Problem"];
        };
    };
    lens: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["LensAsked"];
            };
        };
        responses: {
            /** @description What to tint and to draw over it */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["LensView"];
                };
            };
            default: components["responses"]["Problem"];
        };
    };
    mend: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["MendAsked"];
            };
        };
        responses: {
            /** @description The changed tray, left out where no single change helps */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["MendAnswer"];
                };
            };
            default: components["responses"]["Problem"];
        };
    };
    arrange: {
        parameters: {
            query?: {
                style?: components["schemas"]["Style"];
                seed?: number;
                /** @description how long is searched; left out, as long as it pays */
                seconds?: number;
                /** @description at most so many layouts tried for each way: the same on every machine, as long as the seconds do not end first */
                effort?: number;
                /** @description whether what lies there and is not locked is taken off first: the search gives back nothing worse than it was given, and another way is wanted */
                afresh?: boolean;
                /** @description elements that are laid, the others stay; all that are not locked when left out */
                only?: string[];
                /** @description so many layouts that differ, all in the last line */
                ways?: number;
            };
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["TrayDocument"];
            };
        };
        responses: {
            /** @description Progress */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/x-ndjson": components["schemas"]["Progress"];
                };
            };
            default: components["responses"]["Problem"];
        };
    };
    review: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["TrayDocument"];
            };
        };
        responses: {
            /** @description The review */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Review"];
                };
            };
            default: components["responses"]["Problem"];
        };
    };
    drawPicture: {
        parameters: {
            query?: {
                from?: "above" | "bottom" | "top" | "left" | "right";
                names?: boolean;
                /** @description from above, filled with food in a frame of these sides */
                crop?: "1:1" | "4:5" | "2:3" | "3:2" | "16:9";
            };
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["TrayDocument"];
            };
        };
        responses: {
            /** @description The drawing */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "image/svg+xml": string;
                };
            };
            default: components["responses"]["Problem"];
        };
    };
    scene: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["TrayDocument"];
            };
        };
        responses: {
            /** @description The scene */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Scene"];
                };
            };
            default: components["responses"]["Problem"];
        };
    };
    basket: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["TrayDocument"];
            };
        };
        responses: {
            /** @description The basket */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Basket"];
                };
            };
            default: components["responses"]["Problem"];
        };
    };
    prep: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["TrayDocument"];
            };
        };
        responses: {
            /** @description The steps */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["PrepSheet"];
                };
            };
            default: components["responses"]["Problem"];
        };
    };
    amounts: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["BriefDocument"];
            };
        };
        responses: {
            /** @description The basket */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Basket"];
                };
            };
            default: components["responses"]["Problem"];
        };
    };
    savings: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["TrayDocument"];
            };
        };
        responses: {
            /** @description Up to three */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Saving"][];
                };
            };
            default: components["responses"]["Problem"];
        };
    };
    quote: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["TrayDocument"];
            };
        };
        responses: {
            /** @description The quote */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Quote"];
                };
            };
            default: components["responses"]["Problem"];
        };
    };
    shopping: {
        parameters: {
            query?: {
                /** @description of this job */
                job?: components["parameters"]["ListJob"];
                /** @description of all jobs of the week that this day is in, 2026-11-30 */
                week?: components["parameters"]["ListWeek"];
            };
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description The list */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["ShoppingList"];
                };
            };
            default: components["responses"]["Problem"];
        };
    };
    exportShopping: {
        parameters: {
            query: {
                /** @description of this job */
                job?: components["parameters"]["ListJob"];
                /** @description of all jobs of the week that this day is in, 2026-11-30 */
                week?: components["parameters"]["ListWeek"];
                as: "text" | "csv" | "pdf";
                separator?: "comma" | "semicolon" | "tab";
                decimal?: "point" | "comma";
            };
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description The file */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "text/plain": string;
                    "text/csv": string;
                    "application/pdf": string;
                };
            };
            default: components["responses"]["Problem"];
        };
    };
    tick: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["Tick"];
            };
        };
        responses: {
            /** @description Kept */
            204: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            default: components["responses"]["Problem"];
        };
    };
    shop: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description The shop */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Shop"];
                };
            };
            default: components["responses"]["Problem"];
        };
    };
    askShop: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description What is known then; wrong says what was the matter */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Shop"];
                };
            };
            default: components["responses"]["Problem"];
        };
    };
    readPalette: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "text/plain": string;
            };
        };
        responses: {
            /** @description The palette */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Palette"];
                };
            };
            default: components["responses"]["Problem"];
        };
    };
    writePalette: {
        parameters: {
            query: {
                name?: string;
                /** @description rrggbb, parted by commas */
                colours: string;
            };
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description The file */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "text/plain": string;
                };
            };
            default: components["responses"]["Problem"];
        };
    };
    regionPalette: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                region: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description The palette */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Palette"];
                };
            };
            default: components["responses"]["Problem"];
        };
    };
    door: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description The door */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Door"];
                };
            };
            default: components["responses"]["Problem"];
        };
    };
    setDoor: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["DoorAsked"];
            };
        };
        responses: {
            /** @description Done */
            204: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            default: components["responses"]["Problem"];
        };
    };
    makeKey: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description The key */
            201: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["DoorKey"];
                };
            };
            default: components["responses"]["Problem"];
        };
    };
    enter: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["EnterAsked"];
            };
        };
        responses: {
            /** @description It is in */
            204: {
                headers: {
                    "Set-Cookie"?: string;
                    [name: string]: unknown;
                };
                content?: never;
            };
            default: components["responses"]["Problem"];
        };
    };
    leave: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description It is out */
            204: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            default: components["responses"]["Problem"];
        };
    };
    putOut: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                device: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description It is out */
            204: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            default: components["responses"]["Problem"];
        };
    };
    settings: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description Settings */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Settings"];
                };
            };
            default: components["responses"]["Problem"];
        };
    };
    saveSettings: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["SettingsChange"];
            };
        };
        responses: {
            /** @description Kept */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Settings"];
                };
            };
            default: components["responses"]["Problem"];
        };
    };
    findFoods: {
        parameters: {
            query: {
                text: string;
                most?: number;
            };
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description Foods */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["FoundFoods"];
                };
            };
            default: components["responses"]["Problem"];
        };
    };
    diets: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description Diets */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Diets"];
                };
            };
            default: components["responses"]["Problem"];
        };
    };
    searchLarder: {
        parameters: {
            query?: {
                text?: string;
                category?: string;
                colour?: string;
                /** @description in season then */
                month?: number;
                hemisphere?: "north" | "south";
                /** @description allergens and diet words, parted by commas */
                without?: string;
                milk?: string;
                firmness?: string;
                form?: string;
                /** @description those put away instead */
                put_away?: boolean;
                /** @description at most so many foods of each category */
                per_shelf?: number;
            };
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description Shelves */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Shelves"];
                };
            };
            default: components["responses"]["Problem"];
        };
    };
    exportTable: {
        parameters: {
            query?: {
                separator?: "comma" | "semicolon" | "tab";
                decimal?: "point" | "comma";
            };
            header?: never;
            path: {
                table: "larder" | "packs" | "stock";
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description The file */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "text/csv": string;
                };
            };
            default: components["responses"]["Problem"];
        };
    };
    importTable: {
        parameters: {
            query?: {
                apply?: boolean;
                /** @description the version the report was made from */
                version?: number;
            };
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "text/csv": string;
            };
        };
        responses: {
            /** @description The report */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["ImportReport"];
                };
            };
            default: components["responses"]["Problem"];
        };
    };
    createFood: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["NewFood"];
            };
        };
        responses: {
            /** @description The food */
            201: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["FoodPage"];
                };
            };
            default: components["responses"]["Problem"];
        };
    };
    foodPage: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: components["parameters"]["ThingId"];
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description The food */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["FoodPage"];
                };
            };
            default: components["responses"]["Problem"];
        };
    };
    saveFood: {
        parameters: {
            query?: never;
            header: {
                /** @description The version this change was made from, 0 for something new */
                "If-Match": components["parameters"]["IfVersion"];
            };
            path: {
                id: components["parameters"]["ThingId"];
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["FoodDocument"];
            };
        };
        responses: {
            /** @description Kept */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["FoodPage"];
                };
            };
            default: components["responses"]["Problem"];
        };
    };
    putFoodAway: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: components["parameters"]["ThingId"];
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description Put away */
            204: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            default: components["responses"]["Problem"];
        };
    };
    takeFoodOut: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: components["parameters"]["ThingId"];
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description Taken out */
            204: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            default: components["responses"]["Problem"];
        };
    };
    handFoodBack: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: components["parameters"]["ThingId"];
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description The food as shipped */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["FoodPage"];
                };
            };
            default: components["responses"]["Problem"];
        };
    };
    saveStock: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: components["parameters"]["ThingId"];
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["Lots"];
            };
        };
        responses: {
            /** @description Kept */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["FoodPage"];
                };
            };
            default: components["responses"]["Problem"];
        };
    };
    measureForm: {
        parameters: {
            query?: {
                pieces?: number;
                /** @description rim of the glass a rosette is lapped round */
                glass?: number;
                /** @description the vessel that an arc or a ring is laid round */
                around?: string;
            };
            header?: never;
            path: {
                id: components["parameters"]["ThingId"];
                form: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description The measure */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["FormMeasure"];
                };
            };
            default: components["responses"]["Problem"];
        };
    };
    foodPhoto: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: components["parameters"]["ThingId"];
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description The photograph */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "image/jpeg": string;
                };
            };
            default: components["responses"]["Problem"];
        };
    };
    saveFoodPhoto: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: components["parameters"]["ThingId"];
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "image/png": string;
                "image/jpeg": string;
            };
        };
        responses: {
            /** @description Kept */
            204: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            default: components["responses"]["Problem"];
        };
    };
    dropFoodPhoto: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: components["parameters"]["ThingId"];
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description Thrown away */
            204: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            default: components["responses"]["Problem"];
        };
    };
    mainColours: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "image/png": string;
                "image/jpeg": string;
            };
        };
        responses: {
            /** @description Three to five colours */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["MainColours"];
                };
            };
            default: components["responses"]["Problem"];
        };
    };
    boards: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description The cabinet */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Cabinet"];
                };
            };
            default: components["responses"]["Problem"];
        };
    };
    makeBoard: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["BoardRequestDocument"];
            };
        };
        responses: {
            /** @description The board */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["BoardDrawn"];
                };
            };
            default: components["responses"]["Problem"];
        };
    };
    readOutline: {
        parameters: {
            query?: {
                /** @description real length of the longer side; left out, as the drawing says */
                length_mm?: number;
            };
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "image/svg+xml": string;
            };
        };
        responses: {
            /** @description What was found */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["OutlineFound"];
                };
            };
            default: components["responses"]["Problem"];
        };
    };
    saveBoard: {
        parameters: {
            query?: never;
            header: {
                /** @description The version this change was made from, 0 for something new */
                "If-Match": components["parameters"]["IfVersion"];
            };
            path: {
                id: components["parameters"]["ThingId"];
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["BoardDocument"];
            };
        };
        responses: {
            /** @description Kept */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["BoardDrawn"];
                };
            };
            default: components["responses"]["Problem"];
        };
    };
    putBoardAway: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: components["parameters"]["ThingId"];
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description Put away */
            204: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            default: components["responses"]["Problem"];
        };
    };
    takeBoardOut: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: components["parameters"]["ThingId"];
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description Taken out */
            204: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            default: components["responses"]["Problem"];
        };
    };
    boardPicture: {
        parameters: {
            query?: {
                /** @description Version, so that browsers keep the drawing */
                v?: string;
            };
            header?: never;
            path: {
                id: components["parameters"]["ThingId"];
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description The drawing */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "image/svg+xml": string;
                };
            };
            default: components["responses"]["Problem"];
        };
    };
    shelf: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description All of it */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["ShelfKept"];
                };
            };
            default: components["responses"]["Problem"];
        };
    };
    keep: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                kind: components["parameters"]["KeptKind"];
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["KeepAsked"];
            };
        };
        responses: {
            /** @description Kept */
            201: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Kept"];
                };
            };
            default: components["responses"]["Problem"];
        };
    };
    changeKept: {
        parameters: {
            query?: never;
            header: {
                /** @description The version this change was made from, 0 for something new */
                "If-Match": components["parameters"]["IfVersion"];
            };
            path: {
                kind: components["parameters"]["KeptKind"];
                id: components["parameters"]["ThingId"];
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["KeepAsked"];
            };
        };
        responses: {
            /** @description As it is kept now */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Kept"];
                };
            };
            default: components["responses"]["Problem"];
        };
    };
    putKeptAway: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                kind: components["parameters"]["KeptKind"];
                id: components["parameters"]["ThingId"];
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description Put away */
            204: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            default: components["responses"]["Problem"];
        };
    };
    takeKeptOut: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                kind: components["parameters"]["KeptKind"];
                id: components["parameters"]["ThingId"];
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description Taken out */
            204: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            default: components["responses"]["Problem"];
        };
    };
    useKept: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: components["parameters"]["ThingId"];
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["BriefDocument"];
            };
        };
        responses: {
            /** @description The brief, and what was left out or taken instead */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["UsedChoice"];
                };
            };
            default: components["responses"]["Problem"];
        };
    };
    ideaPhoto: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: components["parameters"]["ThingId"];
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description The picture */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "image/jpeg": string;
                };
            };
            default: components["responses"]["Problem"];
        };
    };
    saveIdeaPhoto: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: components["parameters"]["ThingId"];
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "image/png": string;
                "image/jpeg": string;
            };
        };
        responses: {
            /** @description Kept */
            204: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            default: components["responses"]["Problem"];
        };
    };
    dropIdeaPhoto: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: components["parameters"]["ThingId"];
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description Thrown away */
            204: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            default: components["responses"]["Problem"];
        };
    };
    saveVessel: {
        parameters: {
            query?: never;
            header: {
                /** @description The version this change was made from, 0 for something new */
                "If-Match": components["parameters"]["IfVersion"];
            };
            path: {
                id: components["parameters"]["ThingId"];
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["VesselDocument"];
            };
        };
        responses: {
            /** @description Kept */
            204: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            default: components["responses"]["Problem"];
        };
    };
    putVesselAway: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: components["parameters"]["ThingId"];
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description Put away */
            204: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            default: components["responses"]["Problem"];
        };
    };
    takeVesselOut: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: components["parameters"]["ThingId"];
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description Taken out */
            204: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            default: components["responses"]["Problem"];
        };
    };
    vesselPicture: {
        parameters: {
            query?: {
                /** @description Version, so that browsers keep the drawing */
                v?: string;
            };
            header?: never;
            path: {
                id: components["parameters"]["ThingId"];
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description The drawing */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "image/svg+xml": string;
                };
            };
            default: components["responses"]["Problem"];
        };
    };
}
type FlattenedDeepRequired<T> = {
    [K in keyof T]-?: FlattenedDeepRequired<T[K] extends unknown[] | undefined | null ? Extract<T[K], unknown[]>[number] : T[K]>;
};
type ReadonlyArray<T> = [
    Exclude<T, undefined>
] extends [
    unknown[]
] ? Readonly<Exclude<T, undefined>> : Readonly<Exclude<T, undefined>[]>;
export const pathsApiV1JobsGetParametersQueryWhichValues: ReadonlyArray<FlattenedDeepRequired<paths>["/api/v1/jobs"]["get"]["parameters"]["query"]["which"]> = ["coming", "past", "away"];
export const pathsApiV1DaysDateSheetGetParametersQueryKindValues: ReadonlyArray<FlattenedDeepRequired<paths>["/api/v1/days/{date}/sheet"]["get"]["parameters"]["query"]["kind"]> = ["calendar", "table"];
export const pathsApiV1JobsIdSheetGetParametersQueryKindValues: ReadonlyArray<FlattenedDeepRequired<paths>["/api/v1/jobs/{id}/sheet"]["get"]["parameters"]["query"]["kind"]> = ["mat", "tracing", "build", "cards", "markers", "quote", "calendar", "table", "mat-svg"];
export const pathsApiV1JobsIdSheetGetParametersQueryPaperValues: ReadonlyArray<FlattenedDeepRequired<paths>["/api/v1/jobs/{id}/sheet"]["get"]["parameters"]["query"]["paper"]> = ["a4", "a3", "letter", "whole"];
export const pathsApiV1PracticeSheetGetParametersQueryPaperValues: ReadonlyArray<FlattenedDeepRequired<paths>["/api/v1/practice/sheet"]["get"]["parameters"]["query"]["paper"]> = ["a4", "a3", "letter"];
export const pathsApiV1PicturePostParametersQueryFromValues: ReadonlyArray<FlattenedDeepRequired<paths>["/api/v1/picture"]["post"]["parameters"]["query"]["from"]> = ["above", "bottom", "top", "left", "right"];
export const pathsApiV1PicturePostParametersQueryCropValues: ReadonlyArray<FlattenedDeepRequired<paths>["/api/v1/picture"]["post"]["parameters"]["query"]["crop"]> = ["1:1", "4:5", "2:3", "3:2", "16:9"];
export const pathsApiV1ShoppingExportGetParametersQueryAsValues: ReadonlyArray<FlattenedDeepRequired<paths>["/api/v1/shopping/export"]["get"]["parameters"]["query"]["as"]> = ["text", "csv", "pdf"];
export const pathsApiV1ShoppingExportGetParametersQuerySeparatorValues: ReadonlyArray<FlattenedDeepRequired<paths>["/api/v1/shopping/export"]["get"]["parameters"]["query"]["separator"]> = ["comma", "semicolon", "tab"];
export const pathsApiV1ShoppingExportGetParametersQueryDecimalValues: ReadonlyArray<FlattenedDeepRequired<paths>["/api/v1/shopping/export"]["get"]["parameters"]["query"]["decimal"]> = ["point", "comma"];
export const pathsApiV1LarderSearchGetParametersQueryHemisphereValues: ReadonlyArray<FlattenedDeepRequired<paths>["/api/v1/larder/search"]["get"]["parameters"]["query"]["hemisphere"]> = ["north", "south"];
export const pathsApiV1LarderExportTableGetParametersQuerySeparatorValues: ReadonlyArray<FlattenedDeepRequired<paths>["/api/v1/larder/export/{table}"]["get"]["parameters"]["query"]["separator"]> = ["comma", "semicolon", "tab"];
export const pathsApiV1LarderExportTableGetParametersQueryDecimalValues: ReadonlyArray<FlattenedDeepRequired<paths>["/api/v1/larder/export/{table}"]["get"]["parameters"]["query"]["decimal"]> = ["point", "comma"];
export const pathsApiV1LarderExportTableGetParametersPathTableValues: ReadonlyArray<FlattenedDeepRequired<paths>["/api/v1/larder/export/{table}"]["get"]["parameters"]["path"]["table"]> = ["larder", "packs", "stock"];
export const reasonValues: ReadonlyArray<FlattenedDeepRequired<components>["schemas"]["Reason"]> = ["out of reach", "no tool", "not cut", "too much", "too strong", "too sour", "nobody knows it", "ran out early", "lovely"];
export const eveningAdviceDoValues: ReadonlyArray<FlattenedDeepRequired<components>["schemas"]["Evening"]["advice"]["do"]> = ["keep", "freeze", "cook", "throw away"];
export const logbookEmptiedByValues: ReadonlyArray<FlattenedDeepRequired<components>["schemas"]["Logbook"]["emptied"]["by"]> = ["form", "board", "style"];
export const doorHereValues: ReadonlyArray<FlattenedDeepRequired<components>["schemas"]["Door"]["here"]> = ["house", "device"];
export const allergenValues: ReadonlyArray<FlattenedDeepRequired<components>["schemas"]["Allergen"]> = ["gluten", "crustaceans", "egg", "fish", "peanuts", "soy", "milk", "nuts", "celery", "mustard", "sesame", "sulphites", "lupin", "molluscs"];
export const dietWordValues: ReadonlyArray<FlattenedDeepRequired<components>["schemas"]["DietWord"]> = ["meat", "pork", "beef", "animal", "rennet", "alcohol", "poultry", "game", "shellfish", "gelatine", "raw milk", "honey"];
export const themeNameValues: ReadonlyArray<FlattenedDeepRequired<components>["schemas"]["ThemeName"]> = ["harvest", "first frost", "midwinter feast", "spring garden", "picnic", "harbour", "orchard", "meadow flowers", "dusk and smoke", "black and gold", "hearts", "snow", "school's out", "tea time", "brunch", "match night", "wine and cheese", "office lunch", "wedding", "open house", "italian", "french", "spanish", "greek", "alpine", "nordic", "levantine", "iftar", "diwali", "hanukkah", "passover", "lunar new year"];
export const categoryValues: ReadonlyArray<FlattenedDeepRequired<components>["schemas"]["Category"]> = ["cheese", "meat", "dip", "brined", "fruit", "vegetable", "dried fruit", "nut", "cracker", "sweet", "garnish", "prop"];
export const wetnessValues: ReadonlyArray<FlattenedDeepRequired<components>["schemas"]["Wetness"]> = ["crisp", "dry", "moist", "oily", "juicy", "runny"];
export const firmnessValues: ReadonlyArray<FlattenedDeepRequired<components>["schemas"]["Firmness"]> = ["fresh", "soft", "semi", "firm", "hard"];
export const milkValues: ReadonlyArray<FlattenedDeepRequired<components>["schemas"]["Milk"]> = ["cow", "goat", "sheep", "buffalo", "mixed", "plant"];
export const advisoryValues: ReadonlyArray<FlattenedDeepRequired<components>["schemas"]["Advisory"]> = ["soft mould-ripened", "washed rind", "raw milk", "raw cured meat", "undercooked meat", "cold-smoked fish", "pate", "liver", "raw egg", "raw fish", "alcohol", "herbs in quantity"];
export const settingValues: ReadonlyArray<FlattenedDeepRequired<components>["schemas"]["Setting"]> = ["rennet", "microbial", "thistle", "acid"];
export const rindValues: ReadonlyArray<FlattenedDeepRequired<components>["schemas"]["Rind"]> = ["edible", "inedible", "none"];
export const textureValues: ReadonlyArray<FlattenedDeepRequired<components>["schemas"]["Texture"]> = ["creamy", "soft", "chewy", "firm", "crumbly", "crunchy", "juicy"];
export const flavourValues: ReadonlyArray<FlattenedDeepRequired<components>["schemas"]["Flavour"]> = ["sweet", "salty", "sour", "briny", "smoky", "spicy", "bitter", "umami", "mild", "fresh"];
export const regionValues: ReadonlyArray<FlattenedDeepRequired<components>["schemas"]["Region"]> = ["alpine", "atlantic", "mediterranean", "northern", "eastern", "tropical"];
export const styleValues: ReadonlyArray<FlattenedDeepRequired<components>["schemas"]["Style"]> = ["corners", "winding", "mirrored", "wheel", "meadow"];
export const reviewGroupValues: ReadonlyArray<FlattenedDeepRequired<components>["schemas"]["ReviewGroup"]> = ["fit", "colour", "spread", "flow", "pairs", "height", "service", "eaten", "care"];
export const keptKindValues: ReadonlyArray<FlattenedDeepRequired<components>["schemas"]["KeptKind"]> = ["choice", "idea", "theme", "pattern"];
export const settingsLengthValues: ReadonlyArray<FlattenedDeepRequired<components>["schemas"]["Settings"]["length"]> = ["cm", "in"];
export const settingsMassValues: ReadonlyArray<FlattenedDeepRequired<components>["schemas"]["Settings"]["mass"]> = ["g", "oz"];
export const settingsHemisphereValues: ReadonlyArray<FlattenedDeepRequired<components>["schemas"]["Settings"]["hemisphere"]> = ["north", "south"];
export const settingsChangeLengthValues: ReadonlyArray<FlattenedDeepRequired<components>["schemas"]["SettingsChange"]["length"]> = ["cm", "in"];
export const settingsChangeMassValues: ReadonlyArray<FlattenedDeepRequired<components>["schemas"]["SettingsChange"]["mass"]> = ["g", "oz"];
export const settingsChangeHemisphereValues: ReadonlyArray<FlattenedDeepRequired<components>["schemas"]["SettingsChange"]["hemisphere"]> = ["north", "south"];
export const mineValues: ReadonlyArray<FlattenedDeepRequired<components>["schemas"]["Mine"]> = ["built-in", "changed", "own"];
export const importReportTableValues: ReadonlyArray<FlattenedDeepRequired<components>["schemas"]["ImportReport"]["table"]> = ["larder", "packs", "stock"];
export const importLineWhatValues: ReadonlyArray<FlattenedDeepRequired<components>["schemas"]["ImportLine"]["what"]> = ["added", "changed", "same", "refused"];
export const exerciseKindValues: ReadonlyArray<FlattenedDeepRequired<components>["schemas"]["ExerciseKind"]> = ["find", "amount", "lay", "order", "pair", "diet", "tool", "season", "board", "cost", "keep", "clock", "save", "why"];
export const lensValues: ReadonlyArray<FlattenedDeepRequired<components>["schemas"]["Lens"]> = ["families", "grey", "without-green", "wet", "height", "reach", "allergens", "flow", "gaps", "pairs", "kinds", "without-red", "without-blue", "eaten", "bites", "tasting"];
export const commandKindValues: ReadonlyArray<FlattenedDeepRequired<components>["schemas"]["Command"]["kind"]> = ["move", "lay", "take-off", "lock", "unlock", "form", "swap", "duplicate", "split", "join", "amount", "vessel", "lift", "circle", "open", "bend", "pile", "lean", "hide-foot"];
export const offerLeaningValues: ReadonlyArray<FlattenedDeepRequired<components>["schemas"]["Offer"]["leaning"]> = ["liked", "season", "new"];
export const jobSummaryStateValues: ReadonlyArray<FlattenedDeepRequired<components>["schemas"]["JobSummary"]["state"]> = ["briefed", "picked", "laid"];
export const findingSeverityValues: ReadonlyArray<FlattenedDeepRequired<components>["schemas"]["Finding"]["severity"]> = ["stop", "mend", "note"];
