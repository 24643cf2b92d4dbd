<?php

declare(strict_types=1);

namespace WaryHeron\Core\Coding\Lead;

use WaryHeron\Core\FullText\Reading\Block;
use WaryHeron\Core\FullText\Reading\BlockKind;
use WaryHeron\Core\FullText\Reading\Paper;
use WaryHeron\Core\FullText\Reading\SectionKind;

/** A paper as passages: sentences, headings and rows of tables, in its order, with what each is for. */
final class Passages
{
    /** What stands over the names of rows, and names none of the groups itself as “Group A” does. */
    private const CORNER = '/^(?:$|(?:study )?(?:group|arm|condition|allocation)s?$|(?:characteristic|variable|outcome|measure|item|test|task)s?\b)/iu';

    /** @var array<string, mixed> */
    private array $known = [];

    /** @param  list<Passage>  $all */
    private function __construct(public readonly array $all)
    {
    }

    /**
     * What has been worked out of the whole paper once.
     *
     * @template T
     *
     * @param  \Closure(): T  $find
     * @return T
     */
    public function once(string $what, \Closure $find): mixed
    {
        if (! array_key_exists($what, $this->known)) {
            $this->known[$what] = $find();
        }

        /** @var T */
        return $this->known[$what];
    }

    public static function of(Paper $paper): self
    {
        $all = [];
        $heads = [];
        foreach ($paper->blocks as $block) {
            if ($block->kind !== BlockKind::Row) {
                $heads = [];
            } elseif ($heads === [] && self::isHead($block)) {
                $heads = $block->cells;
            }
            $over = $block->cells === $heads ? [] : self::aligned($heads, $block->cells);
            $texts = $block->kind === BlockKind::Paragraph ? Sentences::of($block->text) : [$block->text];
            foreach ($texts as $text) {
                $all[] = self::passage(count($all), $text, $block, $over);
            }
        }

        return new self($all);
    }

    /** @param  list<string>  $heads */
    private static function passage(int $at, string $text, Block $of, array $heads): Passage
    {
        return new Passage($at, $text, $of->page, $of->section, $of->heading, $of->kind, $of->cells, $heads);
    }

    /**
     * The same paper cut down.
     *
     * @param  list<Passage>  $some
     */
    public function only(array $some): self
    {
        return new self($some);
    }

    /** @return list<Passage> those but references */
    public function told(): array
    {
        return $this->but([SectionKind::References]);
    }

    /**
     * @param  list<SectionKind>  $sections
     * @return list<Passage>
     */
    public function but(array $sections): array
    {
        return array_values(
            array_filter($this->all, fn (Passage $one): bool => ! in_array($one->section, $sections, true)),
        );
    }

    /**
     * @param  list<SectionKind>  $sections
     * @return list<Passage>
     */
    public function in(array $sections): array
    {
        return array_values(
            array_filter($this->all, fn (Passage $one): bool => in_array($one->section, $sections, true)),
        );
    }

    /** The first words of a paper are its title. */
    public function title(): ?Passage
    {
        return $this->all[0] ?? null;
    }

    /**
     * Each over its cell: papers often have nothing over the names of the rows, so that heads are one short. Where
     * something stands there, what is too many stands at the end of the row.
     *
     * @param  list<string>  $heads
     * @param  list<string>  $cells
     * @return list<string>
     */
    private static function aligned(array $heads, array $cells): array
    {
        $isShort = count($heads) === count($cells) - 1 && preg_match(self::CORNER, $heads[0] ?? '') !== 1;

        return $isShort ? ['', ...$heads] : $heads;
    }

    /** Its first row names the columns: no cell but the first is a figure by itself. */
    private static function isHead(Block $block): bool
    {
        foreach (array_slice($block->cells, 1) as $cell) {
            if (preg_match('/^[−–-]?\d[\d.,]*(?:\s*\(.*\))?%?$/u', trim($cell)) === 1) {
                return false;
            }
        }

        return true;
    }
}
