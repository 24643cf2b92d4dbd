<?php

declare(strict_types=1);

namespace App\Queries\Report\Composed;

use App\Models\Report;
use App\Models\ReportVersion;
use App\View\Report\BlockContent;
use App\View\Report\LiveBlocks;
use Illuminate\Support\Facades\DB;
use stdClass;
use WaryHeron\Core\Report\Compare\ComparedLine;
use WaryHeron\Core\Report\Compare\TextComparison;
use WaryHeron\Core\Report\Compare\TextLine;
use WaryHeron\Core\Report\Document\Node;
use WaryHeron\Core\Report\Document\Schema;

/** Two states of a report: what was written and taken out between them, what its blocks show otherwise, who wrote. */
final readonly class ComparedVersions
{
    /**
     * @param  list<ComparedLine>  $lines
     * @param  array<string, string>  $blocks  what has changed in words, by title
     * @param  array<string, int>  $writers  times that each person's writing was saved
     */
    private function __construct(public array $lines, public array $blocks, public array $writers)
    {
    }

    /** @param  ?ReportVersion  $to  none for the report as it is, which has been read */
    public static function of(Report $report, ReportVersion $from, ?ReportVersion $to): self
    {
        $citable = Citable::of($report->review);
        $named = fn (Node $node): string => self::named($node, $citable);

        return new self(
            TextComparison::of(
                TextLine::all(Schema::node($from->said), $named),
                TextLine::all(Schema::node($to->said ?? $report->said), $named),
            ),
            self::blocks(
                KeptBlocks::ofVersion($from->kept['blocks']),
                $to === null ? KeptBlocks::of($report) : KeptBlocks::ofVersion($to->kept['blocks']),
            ),
            self::writers($report, $from->seq, $to->seq ?? $report->said_seq),
        );
    }

    public function isChanged(): bool
    {
        return $this->blocks !== [] || array_filter($this->lines, fn (ComparedLine $one): bool => $one->isChanged()) !== [];
    }

    /** @return list<ComparedLine|null> lines that changed, with what stands beside them and the heading above; null between */
    public function shown(): array
    {
        $wanted = [];
        $heading = null;
        foreach ($this->lines as $at => $line) {
            $heading = $line->line->isHeading() ? $at : $heading;
            if ($line->isChanged()) {
                $wanted += [$heading ?? $at => true, max($at - 1, 0) => true, $at => true, $at + 1 => true];
            }
        }
        $shown = [];
        foreach ($this->lines as $at => $line) {
            if (isset($wanted[$at])) {
                $shown[] = $line;
            } elseif ($shown !== [] && $shown[array_key_last($shown)] !== null) {
                $shown[] = null;
            }
        }

        return $shown;
    }

    /** @param  array<string, CitableReport>  $citable */
    private static function named(Node $node, array $citable): string
    {
        return match ($node->type) {
            Node::LIVE_NUMBER => $node->said('shown'),
            Node::CITE => ' ('.implode('; ', array_map(fn (string $id): string => $citable[$id]->name ?? 'gone', $node->list('ids'))).')',
            Node::FOOTNOTE => " [{$node->said('text')}]",
            Node::LIVE_BLOCK => $node->said('caption') ?: (LiveBlocks::PLAIN[$node->said('kind')] ?? ucfirst($node->said('kind'))),
            default => ' ',
        };
    }

    /**
     * @param  array<string, KeptBlock>  $before
     * @param  array<string, KeptBlock>  $after
     * @return array<string, string>
     */
    private static function blocks(array $before, array $after): array
    {
        $changed = [];
        foreach (array_intersect_key($before, $after) as $id => $block) {
            $was = BlockContent::fromArray($block->shown);
            $now = BlockContent::fromArray($after[$id]->shown);
            $changed[$now->title] = $was->changed($now);
        }

        return array_filter($changed);
    }

    /** @return array<string, int> */
    private static function writers(Report $report, int $a, int $b): array
    {
        return DB::table('report_updates as u')
            ->join('users', 'users.id', '=', 'u.user_id')
            ->where('u.review_id', $report->review_id)
            ->where('u.report_id', $report->id)
            ->where('u.seq', '>', min($a, $b))
            ->where('u.seq', '<=', max($a, $b))
            ->groupBy('users.name')
            ->orderByDesc(DB::raw('count(*)'))
            ->select('users.name', DB::raw('count(*) AS n'))
            ->get()
            ->mapWithKeys(fn (stdClass $one): array => [$one->name => (int) $one->n])
            ->all();
    }
}
