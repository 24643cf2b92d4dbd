<?php

declare(strict_types=1);

namespace App\Http\Controllers\Library;

use App\Files\Out\TableDownload;
use App\Http\Controllers\Controller;
use App\Models\Review;
use App\Queries\Library\LibraryReferences;
use App\Queries\Screening\DecisionRows;
use Illuminate\Http\Request;
use Illuminate\Support\Str;
use Symfony\Component\HttpFoundation\BinaryFileResponse;
use Symfony\Component\HttpFoundation\StreamedResponse;
use WaryHeron\Core\Bibliography\Format\Formats;

final class ExportController extends Controller
{
    public function included(Review $review, string $format): StreamedResponse
    {
        $writer = Formats::writers()[$format] ?? abort(404);

        return $this->file(
            $review,
            "included.{$writer->extension()}",
            $writer->mediaType(),
            fn (): iterable => $writer->write(LibraryReferences::included($review)),
        );
    }

    public function decisions(Request $request, Review $review, string $format): BinaryFileResponse
    {
        return TableDownload::make(
            "{$review->title} decisions",
            $format,
            DecisionRows::of($review, $this->me($request)),
        );
    }

    /** @param  \Closure(): iterable<string>  $pieces */
    private function file(Review $review, string $name, string $type, \Closure $pieces): StreamedResponse
    {
        $name = Str::limit(Str::slug($review->title), 40, '').'-'.$name;

        return response()->streamDownload(
            function () use ($pieces): void {
                foreach ($pieces() as $piece) {
                    echo $piece;
                }
            },
            $name,
            ['Content-Type' => $type],
        );
    }
}
