<?php

declare(strict_types=1);

namespace Database\Demo;

use App\Actions\Report\GiveReadingLink;
use App\Actions\Report\HearReader;
use App\Actions\Report\KeepVersion;
use App\Actions\Report\OpenReport;
use App\Actions\Report\SetClaim;
use App\Files\Out\ReportReader;
use App\Models\Passage;
use App\Models\ReadingLink;
use App\Models\Report;
use App\Models\ReportVersion;
use App\Models\Review;
use App\Models\User;
use App\Queries\Report\Claims\PieceRef;
use App\Queries\Report\Composed\FindingsDraft;
use App\Queries\Report\Composed\LiveNumbers;
use App\Queries\Report\Composed\MethodsDraft;
use App\Queries\Report\Composed\NumberedWords;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use WaryHeron\Core\Report\Document\Mark;
use WaryHeron\Core\Report\Document\Node;

/** The demo's report: two thirds written, with claims of which two rest on nothing yet. */
final readonly class DemoReport
{
    private const WORDS = [
        'title' => ['Bright light at work helps alertness on night shifts a little, and may spare near misses.'],
        'background' => [
            'Night work asks people to be alert when the body is set to sleep. Lamps are cheap, and wards have bought them; what they do for staff has not been put together for years.',
        ],
        'soundness' => ['Nobody could be kept from knowing whether the lamps were on, and near misses are told by those who saw them.'],
        'means' => ['Light is no substitute for rest. Whoever plans lamps for a ward should know where the glare falls, and what the staff think of it.'],
    ];

    /** Claims by the section they stand in; the theme of the passages they rest on, or none yet. */
    private const CLAIMS = [
        ['studies', 'Glare was named again and again', 'Glare', ', and staff kept to the lamps less after the second week.'],
        ['missing', 'Small studies found larger effects', '', '.'],
        ['means', 'No study reported harm to a patient', '', ', but most were too short to see any.'],
    ];

    public function __construct(
        private OpenReport $open,
        private SetClaim $claim,
        private KeepVersion $keep,
        private GiveReadingLink $links,
        private HearReader $hear,
    ) {
    }

    public function make(Review $review, User $by): void
    {
        $report = $this->open->execute($by, $review);
        $written = $report->said;
        $numbers = new NumberedWords(LiveNumbers::of($review));
        $sections = [...FindingsDraft::of($review, $numbers), ...MethodsDraft::of($review, $numbers)];
        foreach (self::WORDS as $key => $paragraphs) {
            $sections[$key] = array_map(fn (string $one): Node => Node::paragraph(Node::text($one)), $paragraphs);
        }
        foreach (self::CLAIMS as [$section, $words, $theme, $after]) {
            $id = strtolower((string) Str::ulid());
            $this->claim->execute($by, $report, $id, self::passages($review, $theme), own: false);
            $sections[$section][] = Node::paragraph(
                Node::text($words, new Mark(Mark::CLAIM, $id)),
                Node::text($after),
            );
        }
        self::replace($report, self::filled($written, $sections));
        $this->keep->execute($by, $report, 'First draft, for the team');
        $this->readBy('The ward that asked for the review', $by, $review);
    }

    /** An address at which somebody has said something. */
    private function readBy(string $whom, User $by, Review $review): void
    {
        $this->links->execute($by, $review, $whom, null, CarbonImmutable::now()->addMonths(6), ['comments']);
        $this->hear->execute(
            ReadingLink::query()->where('review_id', $review->id)->sole(),
            ReportVersion::query()->where('review_id', $review->id)->sole(),
            'Head nurse, ward 4',
            'Background',
            'Our nights are twelve hours long. Do the studies say anything about shifts of that length?',
        );
    }

    /**
     * @param  array<string, mixed>  $document
     * @param  array<string, list<Node>>  $sections
     * @return array<string, mixed> with words under the headings instead of the empty lines there
     */
    private static function filled(array $document, array $sections): array
    {
        $content = [];
        $section = '';
        foreach ($document['content'] as $node) {
            $isEmpty = $node['type'] === 'paragraph' && ($node['content'] ?? []) === [];
            array_push($content, ...$isEmpty ? $sections[$section] ?? [$node] : [$node]);
            $section = $node['type'] === 'heading' ? (string) $node['attrs']['section'] : $section;
        }

        return ['content' => $content] + $document;
    }

    /**
     * As if it had been written so, without the writing.
     *
     * @param  array<string, mixed>  $document
     */
    public static function replace(Report $report, array $document): void
    {
        $said = json_encode($document, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE);
        DB::update(
            <<<'SQL'
            UPDATE reports SET base = decode(?, 'base64'), said = ?, said_seq = seq, base_seq = seq
            WHERE review_id = ? AND id = ?
            SQL,
            [ReportReader::make($document), $said, $report->review_id, $report->id],
        );
        $report->refresh();
    }

    /** @return list<PieceRef> */
    private static function passages(Review $review, string $theme): array
    {
        $ids = $theme === '' ? [] : Passage::query()
            ->where('review_id', $review->id)
            ->whereHas('themes', fn ($one) => $one->where('name', $theme))
            ->orderBy('id')
            ->limit(3)
            ->pluck('id')
            ->all();

        return array_values(array_map(fn (string $id): PieceRef => new PieceRef('passage', $id), $ids));
    }
}
