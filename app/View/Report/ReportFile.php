<?php

declare(strict_types=1);

namespace App\View\Report;

use App\Files\Out\Citations;
use App\Files\Out\SvgPicture;
use App\Models\Publication;
use App\Models\Report;
use App\Models\ReportVersion;
use App\Models\Review;
use App\Queries\Library\KeptReference;
use App\Queries\Report\Claims\ClaimChecks;
use App\Queries\Report\Claims\ClaimStanding;
use App\Queries\Report\Composed\KeptBlock;
use App\Queries\Report\Composed\KeptBlocks;
use WaryHeron\Core\Report\Document\HtmlWriter;
use WaryHeron\Core\Report\Document\Node;
use WaryHeron\Core\Report\Document\Numbering;
use WaryHeron\Core\Report\Document\Resolver;
use WaryHeron\Core\Report\Document\Schema;

/** A report as one file: its words, blocks as they were taken, citations in its style, and what each claim rests on. */
final class ReportFile implements Resolver
{
    /** As pages read it: pictures as they are drawn, claims as links to what they rest on. */
    public const PAGE = 'page';

    /** As pandoc reads it: pictures as points, footnotes as notes. */
    public const DOCUMENT = 'document';

    /** @var list<string> of citations, in their order */
    private array $cited;

    private int $citation = 0;

    /** @var array<string, string> of figures and tables, by the id of their block */
    private array $numbers;

    /** @var array<string, int> numbers of the claims that were met, by id */
    private array $claimed = [];

    /**
     * @param  array<string, KeptBlock>  $blocks
     * @param  array<string, ClaimStanding>  $claims
     */
    private function __construct(
        private readonly Node $document,
        private readonly array $blocks,
        private readonly array $claims,
        private readonly Citations $citations,
        private readonly string $for,
    ) {
        $this->cited = $citations->texts;
        $this->numbers = Numbering::of($document);
    }

    /** @param  self::PAGE|self::DOCUMENT  $for */
    public static function of(Review $review, Report $report, string $for): self
    {
        $document = Schema::node($report->said);
        $citations = self::citationsOf($review, $document, $report->style);

        return new self($document, KeptBlocks::of($report), ClaimChecks::of($review, $report), $citations, $for);
    }

    /** As it was kept, for a page. */
    public static function ofVersion(Review $review, ReportVersion $version): self
    {
        $document = Schema::node($version->said);
        $style = (string) Report::of($review)->value('style');

        return new self(
            $document,
            KeptBlocks::ofVersion($version->kept['blocks']),
            array_map(ClaimStanding::ofKept(...), $version->kept['claims']),
            self::citationsOf($review, $document, $style),
            self::PAGE,
        );
    }

    public function title(): string
    {
        foreach ($this->document->content as $node) {
            if ($node->type === Node::HEADING && $node->words() !== '') {
                return $node->words();
            }
        }

        return 'Report';
    }

    /** The whole file, which asks for nothing from anywhere. */
    public function html(): string
    {
        return view('report.file', [...get_object_vars($this->parts()), 'isPage' => $this->for === self::PAGE])->render();
    }

    public function parts(): ReportParts
    {
        $body = (new HtmlWriter($this))->write($this->document);
        $claims = [];
        foreach ($this->claimed as $id => $n) {
            $claims[$n] = $this->claims[$id] ?? new ClaimStanding((string) $id, false, []);
        }

        return new ReportParts($this->title(), $body, $this->citations->list, $claims);
    }

    public function block(Node $block): string
    {
        $shown = $this->blocks[$block->said('id')]->shown ?? [
            'title' => '',
            'html' => '<p>What this showed is gone.</p>',
        ];
        $isPicture = str_contains($shown['html'], '<svg');
        $caption = HtmlWriter::escaped($block->said('caption') ?: $shown['title']);
        $number = isset($this->numbers[$block->said('id')]) ? "{$this->numbers[$block->said('id')]}. " : '';
        $anchor = 'block-'.HtmlWriter::escaped($block->said('id'));
        // what is wider than a small window is moved by key as well
        $focus = $this->for === self::PAGE ? ' tabindex="0"' : '';
        $html = $isPicture && $this->for === self::DOCUMENT ? self::picture($shown['html'], $caption) : $shown['html'];

        return $isPicture
            ? "<figure id=\"{$anchor}\"{$focus}>{$html}<figcaption>{$number}{$caption}</figcaption></figure>\n"
            : "<div class=\"block\" id=\"{$anchor}\"{$focus}>".($number === '' ? '' : "<p class=\"caption\"><strong>{$number}</strong>{$caption}</p>").
                "{$html}</div>\n";
    }

    public function citation(Node $cite): string
    {
        return $this->cited[$this->citation++] ?? '';
    }

    public function claim(string $id, string $words): string
    {
        $n = $this->claimed[$id] ??= count($this->claimed) + 1;

        return $this->for === self::PAGE
            ? "<a class=\"claim\" href=\"#claim-{$n}\">{$words}</a>"
            : $words;
    }

    public function footnote(Node $note): string
    {
        return '<span class="fn">'.HtmlWriter::escaped($note->said('text')).'</span>';
    }

    public function reference(Node $reference): string
    {
        $number = $this->numbers[$reference->said('id')] ?? 'what is no longer here';

        return isset($this->numbers[$reference->said('id')]) && $this->for === self::PAGE
            ? '<a href="#block-'.HtmlWriter::escaped($reference->said('id'))."\">{$number}</a>"
            : $number;
    }

    private static function citationsOf(Review $review, Node $document, string $style): Citations
    {
        $groups = [];
        foreach ($document->all() as $node) {
            if ($node->type === Node::CITE) {
                $groups[] = $node->list('ids');
            }
        }
        $references = [];
        $cited = Publication::query()
            ->where('review_id', $review->id)
            ->whereKey(array_unique(array_merge([], ...$groups)))
            ->with('records')
            ->get();
        foreach ($cited as $publication) {
            $reference = KeptReference::of($publication);
            if ($reference !== null) {
                $references[$publication->id] = $reference;
            }
        }

        return Citations::of($groups, $references, $style);
    }

    /** As points, since a document for word processors holds no drawings. */
    private static function picture(string $html, string $about): string
    {
        $svg = (string) preg_replace('~^.*?(<svg.*</svg>).*$~s', '$1', $html);

        return "<img alt=\"{$about}\" width=\"620\" src=\"data:image/png;base64,".base64_encode(SvgPicture::of($svg, 'png')).'">';
    }
}
