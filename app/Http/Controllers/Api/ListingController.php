<?php

declare(strict_types=1);

namespace App\Http\Controllers\Api;

use App\Http\Controllers\Controller;
use App\Http\Input;
use App\Models\Review;
use App\Queries\Api\Listing;
use App\Queries\Api\Listings;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Symfony\Component\HttpKernel\Exception\BadRequestHttpException;

/** Lists of a review, page by page; a page goes on from the last that was seen. */
final class ListingController extends Controller
{
    private const LENGTH = 100;

    public function index(Request $request, Review $review, string $listing): JsonResponse
    {
        $of = self::named($listing);
        $length = Input::whole($request, 'limit', self::LENGTH, Listing::MOST);
        $after = Input::text($request, 'after');
        if ($after !== '' && preg_match('/^[0-9a-z]{26}$/', $after) !== 1) {
            throw new BadRequestHttpException(
                'This is no place in a list. Take “after” from “next” of the page before.',
            );
        }
        $asked = $this->asked($request, $of);
        $rows = $of->page($review, $this->me($request), $asked, $after, $length);
        $shown = array_slice($rows, 0, $length);
        $last = end($shown);
        $next = count($rows) > $length && $last !== false
            ? route('api.list', [$review, $listing, ...$asked, 'limit' => $length, 'after' => $last->id])
            : null;

        return response()->json(
            ['data' => $shown, 'next' => $next],
            200,
            $next === null ? [] : ['Link' => "<{$next}>; rel=\"next\""],
        );
    }

    public function show(Request $request, Review $review, string $listing, string $id): JsonResponse
    {
        return response()->json(self::named($listing)->one($review, $this->me($request), $id) ?? abort(404));
    }

    private static function named(string $name): Listing
    {
        return Listings::all()[$name] ?? abort(404);
    }

    /** @return array<string, string> filters that the list knows */
    private function asked(Request $request, Listing $of): array
    {
        $given = array_diff(array_keys($request->query->all()), ['limit', 'after']);
        $unknown = array_diff($given, array_keys($of->filters));
        if ($unknown !== []) {
            $known = implode(', ', ['limit', 'after', ...array_keys($of->filters)]);
            throw new BadRequestHttpException(
                'There is no '.implode(', ', $unknown)." to ask {$of->name} by. There is: {$known}.",
            );
        }

        return array_combine($given, array_map(fn (string $name): string => Input::text($request, $name), $given));
    }
}
