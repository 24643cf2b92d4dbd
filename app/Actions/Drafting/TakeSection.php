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

/** A section of a draft as paragraphs of the report, each of its claims with the papers that it rests on. */
final readonly class TakeSection
{
    public function __construct(private SetClaim $claims, private WriteLog $log)
    {
    }

    /**
     * @return array{string, list<array<string, mixed>>} the section of the template that it goes to, and paragraphs as
     *     ProseMirror's JSON
     *
     * @throws Refused If the report has not been begun.
     */
    public function execute(User $by, Draft $draft, string $key): array
    {
        $report = Report::of($draft->review)->first() ?? throw new Refused(
            'The report has not been begun: begin it first.',
        );

        return DB::transaction(function () use ($by, $draft, $key, $report): array {
            $section = $this->section($draft, $key);
            $paragraphs = [];
            foreach (json_decode($section->body, true, 16, JSON_THROW_ON_ERROR) as $one) {
                $paragraphs[] = $one['heading']
                    ? self::heading($one['pieces'][0]['text'])
                    : ['type' => 'paragraph', 'content' => $this->pieces($by, $report, $one['pieces'])];
            }
            $draft->rows('draft_sections')
                ->where('key', $key)
                ->update(['taken_at' => now(), 'taken_by' => $by->id]);
            $words = "Took over from the draft into the report: {$section->title}";
            ($this->log)($draft->review_id, $by, 'draft.taken', $words, $draft);

            return [$section->place, $paragraphs];
        });
    }

    /** @return array<string, mixed> of the report's document */
    private static function heading(string $text): array
    {
        return [
            'type' => 'heading',
            'attrs' => ['level' => 3],
            'content' => [['type' => 'text', 'text' => $text]],
        ];
    }

    private function section(Draft $draft, string $key): stdClass
    {
        return $draft->rows('draft_sections')
            ->where('key', $key)
            ->first() ?? throw new Refused('The draft has no such section.');
    }

    /**
     * @param  list<array{text: string, papers: list<string>}>  $pieces
     * @return list<array<string, mixed>>
     */
    private function pieces(User $by, Report $report, array $pieces): array
    {
        $content = [];
        foreach ($pieces as $piece) {
            if ($piece['text'] === '') {
                continue;
            }
            $text = ['type' => 'text', 'text' => $piece['text']];
            if ($piece['papers'] !== []) {
                $id = strtolower((string) Str::ulid());
                $evidence = array_map(
                    fn (string $paper): PieceRef => new PieceRef(ScoutedEvidence::KIND, $paper),
                    $piece['papers'],
                );
                $this->claims->execute($by, $report, $id, $evidence);
                $text['marks'] = [['type' => 'claim', 'attrs' => ['id' => $id]]];
            }
            $content[] = $text;
        }

        return $content;
    }
}
