<?php

declare(strict_types=1);

namespace App\Http\Controllers\Library;

use App\Files\Out\TableDownload;
use App\Http\Controllers\Controller;
use App\Models\Review;
use App\Queries\Coding\CodingTable;
use App\Queries\Library\LibraryReferences;
use App\Queries\Screening\DecisionRows;
use Illuminate\Http\Request;
use Illuminate\Support\Str;
use Symfony\Component\HttpFoundation\BinaryFileResponse;
use Symfony\Component\HttpFoundation\StreamedResponse;
use WaryHeron\Core\Bibliography\Format\Csv\CsvLine;
use WaryHeron\Core\Bibliography\Format\Formats;
use WaryHeron\Core\Coding\AnswerKind;
use WaryHeron\Core\Coding\Evidence;

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

    public function coding(Review $review): StreamedResponse
    {
        return $this->file($review, 'coding.csv', 'text/csv; charset=utf-8', function () use ($review): iterable {
            $table = CodingTable::of($review);
            $heads = ['id', 'title', 'authors', 'year', 'doi'];
            foreach ($table->codes as $code) {
                array_push(
                    $heads,
                    $code->unit === '' ? $code->label : "{$code->label} ({$code->unit})",
                    "{$code->label}: evidence",
                );
            }
            yield CsvLine::BEGINNING.CsvLine::of($heads);
            foreach ($table->publications as $publication) {
                $cells = [
                    $publication->id,
                    $publication->title,
                    $publication->authors,
                    $publication->year,
                    $publication->doi,
                ];
                foreach ($table->codes as $code) {
                    $answer = $table->answers[$publication->id][$code->id] ?? null;
                    $isValue = $answer?->kind === AnswerKind::Value;
                    $cells[] = $isValue
                        ? (is_array($answer->value) ? implode('; ', $answer->value) : $answer->value)
                        : $answer?->kind->label();
                    $cells[] = implode(
                        "\n",
                        array_map(
                            fn (Evidence $one): string => trim("{$one->selector->quote} [{$one->whereabouts()}]"),
                            $answer?->pieces() ?? [],
                        ),
                    );
                }
                yield CsvLine::of($cells);
            }
        });
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
