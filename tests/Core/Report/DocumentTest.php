<?php

use WaryHeron\Core\Report\Document\BadDocument;
use WaryHeron\Core\Report\Document\HtmlWriter;
use WaryHeron\Core\Report\Document\Node;
use WaryHeron\Core\Report\Document\Resolver;
use WaryHeron\Core\Report\Document\Schema;
use WaryHeron\Core\Report\Document\Section;
use WaryHeron\Core\Report\Standard\Coverage;
use WaryHeron\Core\Report\Standard\ReportingItem;
use WaryHeron\Core\Report\Standard\Template;

/** @param  list<array<string, mixed>>  $content */
function doc(array ...$content): array
{
    return ['type' => 'doc', 'content' => $content];
}

function words(string $text, array ...$marks): array
{
    return ['type' => 'text', 'text' => $text, ...$marks === [] ? [] : ['marks' => $marks]];
}

function para(array ...$content): array
{
    return ['type' => 'paragraph', 'content' => $content];
}

function plainly(): Resolver
{
    return new class() implements Resolver
    {
        public function block(Node $block): string
        {
            return "[{$block->said('kind')}]";
        }

        public function citation(Node $cite): string
        {
            return '('.implode('; ', $cite->list('ids')).')';
        }

        public function claim(string $id, string $words): string
        {
            return "<a>{$words}</a>";
        }

        public function footnote(Node $note): string
        {
            return "[note: {$note->said('text')}]";
        }

        public function reference(Node $reference): string
        {
            return "[see {$reference->said('id')}]";
        }
    };
}

it('writes what the editor makes as HTML, and escapes all of it', function (array $doc, string $html) {
    expect(trim((new HtmlWriter(plainly()))->write(Schema::node($doc))))->toBe($html);
})->with([
    'words' => [doc(para(words('a < b & "c"'))), '<p>a &lt; b &amp; &quot;c&quot;</p>'],
    'set' => [
        doc(para(words('a', ['type' => 'bold'], ['type' => 'italic']), ['type' => 'hardBreak'], words('b'))),
        '<p><strong><em>a</em></strong><br>b</p>',
    ],
    'a link' => [
        doc(para(words('a', ['type' => 'link', 'attrs' => ['href' => 'https://x.example/"><b>', 'rel' => 'noopener']]))),
        '<p><a href="https://x.example/&quot;&gt;&lt;b&gt;">a</a></p>',
    ],
    'a claim over words that are set differently is one' => [
        doc(para(
            words('It ', ['type' => 'claim', 'attrs' => ['id' => 'c']]),
            words('helps', ['type' => 'bold'], ['type' => 'claim', 'attrs' => ['id' => 'c']]),
            words(' them.'),
        )),
        '<p><a>It <strong>helps</strong></a> them.</p>',
    ],
    'parts that only name something' => [
        doc(
            para(words('In '), ['type' => 'liveNumber', 'attrs' => ['source' => 'studies', 'shown' => '14 <']], ['type' => 'cite', 'attrs' => ['ids' => ['a', 'b']]]),
            ['type' => 'liveBlock', 'attrs' => ['id' => 'x', 'kind' => 'flow', 'source' => '', 'caption' => '']],
        ),
        "<p>In 14 &lt;(a; b)</p>\n[flow]",
    ],
    'lists and a table' => [
        doc(
            ['type' => 'bulletList', 'content' => [['type' => 'listItem', 'content' => [para(words('one'))]]]],
            ['type' => 'table', 'content' => [['type' => 'tableRow', 'content' => [
                ['type' => 'tableHeader', 'attrs' => ['colspan' => 2, 'rowspan' => 1, 'colwidth' => null], 'content' => [para(words('h'))]],
            ]]]],
        ),
        "<ul>\n<li><p>one</p>\n</li>\n</ul>\n<table>\n<tr><th scope=\"col\" colspan=\"2\"><p>h</p>\n</th></tr>\n</table>",
    ],
]);

it('refuses what no report holds, and says where', function (mixed $doc, string $why) {
    expect(fn () => is_array($doc) ? Schema::node($doc) : Schema::read($doc))->toThrow(BadDocument::class, $why);
})->with([
    'a script' => [doc(['type' => 'script']), 'At doc › doc 0: this is nothing that a report has'],
    'words outside of a paragraph' => [doc(words('a')), '“doc” does not hold “text”'],
    'an attribute of its own' => [doc(['type' => 'paragraph', 'attrs' => ['onclick' => 'x']]), '“paragraph” has no “onclick”'],
    'a key that is none' => [doc(['type' => 'liveBlock', 'attrs' => ['id' => '"><img']]), '“id” of “liveBlock” is not as it should be'],
    'an address that runs' => [doc(para(words('a', ['type' => 'link', 'attrs' => ['href' => 'javascript:alert(1)']]))), 'a mark is not as it should be'],
    'a mark that it has not' => [doc(para(words('a', ['type' => 'blink']))), 'a mark is not as it should be'],
    'words that are none' => [doc(para(['type' => 'text', 'text' => "\xff"])), 'text is missing or no UTF-8'],
    'something more' => [['type' => 'doc', 'content' => [], 'html' => '<b>'], '“html” is not known'],
    'no document' => [para(words('a')), 'a document begins with “doc”'],
    'no JSON' => ['{"type":', 'this is no JSON'],
    'too deep' => [array_reduce(range(1, 40), fn (array $in): array => ['type' => 'blockquote', 'content' => [$in]], para(words('a'))), 'too deep'],
]);

it('tells sections, which items they answer, and which of the 27 are missing', function () {
    $heading = fn (string $title, array $items): array => [
        'type' => 'heading', 'attrs' => ['level' => 2, 'section' => '', 'items' => $items], 'content' => [words($title)],
    ];
    $sections = Section::all(Schema::node(doc(
        para(words('before any')),
        $heading('Background', [3, 4]),
        para(words('Nurses tire, as all do.')),
        $heading('How we searched', [6, 7]),
        ['type' => 'liveBlock', 'attrs' => ['id' => 'x', 'kind' => 'searches']],
        $heading('What it means', [23]),
        para(),
    )));
    expect(array_map(fn (Section $one): array => [$one->title, $one->words, $one->blocks, $one->isEmpty()], $sections))->toBe([
        ['Background', 5, 0, false], ['How we searched', 0, 1, false], ['What it means', 0, 0, true],
    ]);
    $coverage = Coverage::of($sections);
    expect($coverage->answered())->toBe(4)
        ->and($coverage->isAnswered(ReportingItem::Rationale))->toBeTrue()
        ->and($coverage->missing())->toContain(ReportingItem::Discussion, ReportingItem::Support)
        ->and(count($coverage->missing()))->toBe(23);
});

it('begins with sections for every item of the standard, as a document that is one', function () {
    $n = 0;
    $template = Template::document('Lamps “at night”', ['a1' => 'Errors'], function () use (&$n): string {
        return 'block'.++$n;
    });
    $document = Schema::read(json_encode($template, JSON_THROW_ON_ERROR));
    expect($document)->toEqual($template);
    $items = array_merge(...array_map(fn (Section $one): array => $one->items, Section::all($document)));
    expect(array_values(array_unique([...$items])))->toHaveCount(27)
        ->and(array_diff(range(1, 27), $items))->toBe([]);
    $blocks = array_filter(iterator_to_array($document->all(), false), fn (Node $one): bool => $one->type === Node::LIVE_BLOCK);
    $ids = array_map(fn (Node $one): string => $one->said('id'), $blocks);
    expect(array_unique($ids))->toHaveCount(count($ids))->and($document->words())->toContain('Errors');
});
