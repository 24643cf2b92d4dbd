<?php

declare(strict_types=1);

namespace App\Http\Controllers\Synthesis;

use App\Files\Out\SvgPicture;
use App\Files\Out\TableDownload;
use App\Http\Controllers\Controller;
use App\Models\CodebookItem;
use App\Models\Review;
use App\Queries\Synthesis\Soundness;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;
use Illuminate\Support\Collection;
use Illuminate\Support\Str;
use Symfony\Component\HttpFoundation\Response;

/** How far studies can be trusted, regard by regard. */
final class SoundnessController extends Controller
{
    public function show(Request $request, Review $review): View
    {
        $scales = Soundness::scales($review);
        $chosen = self::chosen($request, $scales);

        return view('synthesis.soundness', [
            'review' => $review,
            'scales' => $scales,
            'chosen' => $chosen->pluck('id')->all(),
            'soundness' => Soundness::of($review, $chosen),
        ]);
    }

    public function download(Request $request, Review $review, string $format): Response
    {
        $soundness = Soundness::of($review, self::chosen($request, Soundness::scales($review)));
        $title = "{$review->title}: how far its studies can be trusted";
        if ($format === 'csv' || $format === 'xlsx') {
            return TableDownload::make("{$review->title} soundness", $format, $soundness->rows());
        }

        return SvgPicture::download($soundness->plot()->svg($title), Str::limit(Str::slug($review->title), 50, '')."-soundness.{$format}", $format);
    }

    /**
     * Those ticked; at first those that judge.
     *
     * @param  Collection<int, CodebookItem>  $scales
     * @return Collection<int, CodebookItem>
     */
    private static function chosen(Request $request, Collection $scales): Collection
    {
        $asked = array_filter((array) $request->query('items'), is_string(...));

        return ($asked === [] ? $scales->filter(Soundness::judges(...)) : $scales->whereIn('id', $asked))->values();
    }
}
