<?php

declare(strict_types=1);

namespace App\Actions\Drafting;

use App\Actions\Report\SetClaim;
use App\Actions\Shared\Refused;
use App\Actions\Shared\WriteLog;
use App\Models\Draft;
use App\Models\Report;
use App\Models\User;
use App\Queries\Report\Claims\PieceRef;
use App\Queries\Report\Claims\ScoutedEvidence;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use stdClass;
use WaryHeron\Core\Report\Document\Mark;
use WaryHeron\Core\Report\Document\Node;

/** A section of a draft as paragraphs of the report, each of its claims with the papers that it rests on. */
final readonly class TakeSection
{
    public function __construct(private SetClaim $claims, private WriteLog $log)
    {
    }

    /** @throws Refused If the report has not been begun. */
    public function execute(User $by, Draft $draft, string $key): TakenSection
    {
        $report = Report::of($draft->review)->first() ?? throw new Refused(
            'The report has not been begun: begin it first.',
        );

        return DB::transaction(function () use ($by, $draft, $key, $report): TakenSection {
            $section = $this->section($draft, $key);
            $paragraphs = [];
            foreach (json_decode($section->body, true, 16, JSON_THROW_ON_ERROR) as $one) {
                $paragraphs[] = $one['heading']
                    ? Node::heading($one['pieces'][0]['text'], 3)
                    : Node::paragraph(...$this->pieces($by, $report, $one['pieces']));
            }
            $draft->rows('draft_sections')
                ->where('key', $key)
                ->update(['taken_at' => now(), 'taken_by' => $by->id]);
            $words = "Took over from the draft into the report: {$section->title}";
            ($this->log)($draft->review_id, $by, 'draft.taken', $words, $draft);

            return new TakenSection($section->place, $paragraphs);
        });
    }

    private function section(Draft $draft, string $key): stdClass
    {
        return $draft->rows('draft_sections')
            ->where('key', $key)
            ->first() ?? throw new Refused('The draft has no such section.');
    }

    /**
     * @param  list<array{text: string, papers: list<string>}>  $pieces
     * @return list<Node>
     */
    private function pieces(User $by, Report $report, array $pieces): array
    {
        $content = [];
        foreach ($pieces as $piece) {
            if ($piece['text'] === '') {
                continue;
            }
            $marks = $piece['papers'] === [] ? [] : [$this->claim($by, $report, $piece['papers'])];
            $content[] = Node::text($piece['text'], ...$marks);
        }

        return $content;
    }

    /**
     * A claim that rests on these.
     *
     * @param  list<string>  $papers
     */
    private function claim(User $by, Report $report, array $papers): Mark
    {
        $id = strtolower((string) Str::ulid());
        $evidence = array_map(fn (string $paper): PieceRef => new PieceRef(ScoutedEvidence::KIND, $paper), $papers);
        $this->claims->execute($by, $report, $id, $evidence);

        return new Mark(Mark::CLAIM, $id);
    }
}
