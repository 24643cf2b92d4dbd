<?php

declare(strict_types=1);

namespace App\Actions\Asking;

use App\Models\AskedQuestion;
use App\Models\Publication;
use App\Queries\Asking\AskedPieces;
use App\Queries\Coding\CodedReports;
use App\Queries\FullTexts\PublicationTexts;
use App\Sources\OutsideLeads;
use App\Sources\SourceFailed;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Str;
use WaryHeron\Core\Coding\Lead\Asked\AskedItem;
use WaryHeron\Core\Coding\Lead\Asked\ItemType;
use WaryHeron\Core\Coding\Lead\Confidence;
use WaryHeron\Core\Coding\Lead\Passage;
use WaryHeron\Core\Coding\Lead\Passages;
use WaryHeron\Core\Coding\Lead\QuotedPassage;
use WaryHeron\Core\FullText\Reading\Paper;

/**
 * Asks the service that was set up for leads for the sentence that answers, in the papers of what our own engine found
 * first, and then in others (docs/leads-service.md). What it quotes has to stand there; it adds and confirms, and takes
 * nothing away.
 */
final readonly class AskOutside
{
    /** Papers; a person waits for it. */
    private const MOST = 12;

    private const SECONDS = 60.0;

    private const ITEM = 'answer';

    public function __construct(private OutsideLeads $service)
    {
    }

    /** @return string what came of it, in words */
    public function execute(AskedQuestion $asked): string
    {
        $item = new AskedItem(self::ITEM, $asked->question, ItemType::Text);
        $inFull = in_array('texts', $asked->scope, true);
        [$told, $whole, $problem] = [[], [], ''];
        $deadline = microtime(true) + self::SECONDS;
        foreach (PublicationTexts::of($asked->review_id, $this->papers($asked), $inFull) as $id => $text) {
            if (! $text->isWhole && ! in_array('abstracts', $asked->scope, true)) {
                continue;
            } elseif (microtime(true) > $deadline) {
                $problem = ' It takes long: the rest was not asked.';
                break;
            }
            try {
                $told[$id] = $this->pointedTo($item, $text->paper);
            } catch (SourceFailed $failed) {
                $problem = " {$failed->getMessage()}";
                break;
            }
            $whole[$id] = $text->isWhole;
        }
        $added = $this->keep($asked, array_filter($told), $whole);

        $papers = count($told).' '.Str::plural('paper', count($told));

        return "{$this->service->name} was asked about {$papers}; {$added} added to what was found here.{$problem}";
    }

    /** Whether it asks in papers at all. */
    public static function concerns(AskedQuestion $asked): bool
    {
        return array_intersect(['texts', 'abstracts'], $asked->scope) !== [];
    }

    /** @return list<string> those of what was found first, then others that are asked */
    private function papers(AskedQuestion $asked): array
    {
        $others = $asked->only_of ?? CodedReports::ids($asked->review);

        return array_slice(array_values(array_unique([...$asked->studies(), ...$others])), 0, self::MOST);
    }

    /** @throws SourceFailed */
    private function pointedTo(AskedItem $item, Paper $paper): ?Passage
    {
        $passages = Passages::of($paper);
        $told = $this->service->told([$item], $passages)[self::ITEM] ?? null;

        return $told === null ? null : QuotedPassage::in($passages, $told['quote']);
    }

    /**
     * @param  array<string, Passage>  $told  by publication
     * @param  array<string, bool>  $whole  whether the full text was read
     * @return int how many sentences are new
     */
    private function keep(AskedQuestion $asked, array $told, array $whole): int
    {
        $pieces = $asked->found['pieces'];
        $new = [];
        $studies = self::studies($asked, array_keys($told));
        foreach ($told as $id => $passage) {
            $at = $this->place($pieces, $id, $passage->text);
            if ($at !== null) {
                $pieces[$at] = $this->confirmed($pieces[$at]);
            } elseif ($studies->has($id)) {
                $study = trim("{$studies[$id]->first_author} {$studies[$id]->year}");
                $page = $whole[$id] ? $passage->page : null;
                $new[] = [
                    ...get_object_vars(AskedPieces::ofPaper($asked->review_id, $id, $study, $passage->text, $page)),
                    'confidence' => Confidence::Check->value,
                    'reason' => "{$this->service->name} points to this sentence; our own reading does not",
                ];
            }
        }
        $asked->update(['found' => [...$asked->found, 'pieces' => [...$pieces, ...$new]]]);

        return count($new);
    }

    /**
     * @param  list<string>  $ids
     * @return Collection<string, Publication>
     */
    private static function studies(AskedQuestion $asked, array $ids): Collection
    {
        return Publication::query()
            ->where('review_id', $asked->review_id)
            ->whereIn('id', $ids)
            ->get(['id', 'first_author', 'year'])
            ->keyBy('id');
    }

    /** @param  list<array<string, mixed>>  $pieces */
    private function place(array $pieces, string $id, string $sentence): ?int
    {
        foreach ($pieces as $at => $one) {
            $quote = (string) $one['quote'];
            if ($one['publication'] === $id && $quote !== '' && (str_contains($sentence, $quote) || str_contains($quote, $sentence))) {
                return $at;
            }
        }

        return null;
    }

    /**
     * Two that read the same are surer than one, and never firm by that.
     *
     * @param  array<string, mixed>  $piece
     * @return array<string, string|array<string, string>|null>
     */
    private function confirmed(array $piece): array
    {
        return [
            ...$piece,
            'reason' => "{$piece['reason']}; {$this->service->name} points to it too",
            'confidence' => $piece['confidence'] === Confidence::Check->value ? Confidence::Fair->value : $piece['confidence'],
        ];
    }
}
