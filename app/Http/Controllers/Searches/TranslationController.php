<?php

declare(strict_types=1);

namespace App\Http\Controllers\Searches;

use App\Actions\Searches\MarkTranslation;
use App\Files\Out\TextDownload;
use App\Http\Controllers\Controller;
use App\Models\Review;
use App\Models\Strategy;
use App\Queries\Searches\Translated\TranslatedStrategy;
use App\Queries\Searches\TranslationTable;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

final class TranslationController extends Controller
{
    public function show(Review $review, Strategy $strategy, TranslationTable $table): View
    {
        return view('searches.translation', [
            'review' => $review,
            'strategy' => $strategy,
            'table' => $this->of($review, $strategy, $table),
        ]);
    }

    public function mark(Request $request, Review $review, Strategy $strategy, MarkTranslation $mark): RedirectResponse
    {
        $given = $request->validate([
            'line' => ['required', 'string', 'max:40'],
            'database' => ['required', 'string', 'max:60'],
            'text' => ['required', 'string', 'max:100000'],
            'on' => ['required', 'boolean'],
        ]);
        $mark->execute(
            $this->me($request),
            $strategy,
            $given['line'],
            $given['database'],
            $given['text'],
            (bool) $given['on'],
        );

        return redirect()->to(
            route('strategies.translation', [$review, $strategy]).'#'.rawurlencode($given['line']),
        );
    }

    public function download(Review $review, Strategy $strategy, string $format, TranslationTable $lines): Response
    {
        $table = $this->of($review, $strategy, $lines);
        $name = "translation of {$strategy->name}";

        return match ($format) {
            'csv' => TextDownload::csv($name, $this->rows($table)),
            'docx' => TextDownload::docx(
                $name,
                view('searches.translation-print', compact('review', 'strategy', 'table'))->render(),
            ),
            default => TextDownload::text(
                $name,
                view('searches.translation-text', compact('strategy', 'table'))->render(),
            ),
        };
    }

    private function of(Review $review, Strategy $strategy, TranslationTable $table): TranslatedStrategy
    {
        return $table->of($review, $strategy, $strategy->shown()->strategy());
    }

    /** @return list<list<string>> */
    private function rows(TranslatedStrategy $table): array
    {
        $head = ['line', 'note', 'our language'];
        foreach ($table->columns as $column) {
            $name = $column->name;
            array_push($head, $name, "{$name}: records", "{$name}: notes", "{$name}: confirmed");
        }
        $rows = [$head];
        foreach ($table->rows as $row) {
            $cells = [(string) $row->number, $row->note, $row->text];
            foreach ($table->columns as $column) {
                $cell = $row->cells[$column->key];
                $notes = implode(' | ', $cell->notes);
                array_push($cells, $cell->text, (string) ($cell->count ?? ''), $notes, $cell->marked);
            }
            $rows[] = $cells;
        }

        return $rows;
    }
}
