<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Database\Replica;
use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/**
 * Pages that may lag behind what others do, by a moment: lists, files that are taken out, the report, what outsiders
 * read and what programs list. They are read from a replica that knows of all that this person did. Who may see them
 * was decided before, by the primary.
 */
final class MayBeAMomentOld
{
    private const ROUTES = [
        'reading', 'reading.searches', 'reading.decisions', 'reading.paper',
        'searches.report', 'searches.report.download', 'scouting.download', 'scouting.named', 'drafts.download',
        'library', 'library.export', 'agreement', 'passages', 'passages.export',
        'map', 'map.download', 'tables.show', 'tables.download', 'soundness', 'soundness.download', 'certainty.download',
        'analyses.download', 'report', 'report.download', 'report.work', 'report.work.download', 'report.flow',
        'log', 'log.export', 'exports.included', 'exports.decisions', 'exports.coding',
        'api.list', 'api.table', 'api.map', 'api.report',
    ];

    public function handle(Request $request, Closure $next): Response
    {
        if (Replica::isThere() && $request->routeIs(...self::ROUTES)) {
            Replica::ask(KnowsOwnWrites::place($request));
        }

        return $next($request);
    }
}
