<?php

declare(strict_types=1);

namespace WaryHeron\Core\Drafting\Text;

use WaryHeron\Core\Coding\Lead\Confidence;
use WaryHeron\Core\Scouting\Answer\Direction;
use WaryHeron\Core\Scouting\Reading\StudyKind;

/** What papers found, in their own sentences, grouped by outcome and by what they say of it. */
final readonly class Findings
{
    /** Of each group in the short version. */
    private const SHORT = 2;

    public function __construct(private DraftFacts $facts, private Groups $groups)
    {
    }

    /** All of it in one sentence. */
    public function summary(): Paragraph
    {
        $groups = $this->groups->bySaying();
        $papers = array_merge([], ...array_values($groups));
        if ($papers === []) {
            return Paragraph::of('None of the papers that were read answers the question.');
        }
        $on = 'on '.Methods::list(array_map(fn (string $one): string => "“{$one}”", array_keys($this->groups->all)));
        if (array_keys($groups) === ['']) {
            return Paragraph::of(
                self::claim(Methods::counted(count($papers), 'paper'), $papers),
                (count($papers) === 1 ? ' reports' : ' report')." something {$on}.",
            );
        }
        $pieces = [new Piece('Of '.Methods::counted(count($papers), 'paper')." with an answer {$on}, ")];
        $left = count($groups);
        foreach ($groups as $says => $of) {
            $pieces[] = self::claim(number_format(count($of)).' '.self::verb($says, $of), $of);
            $pieces[] = new Piece([1 => '.', 2 => ' and '][$left--] ?? ', ');
        }

        return new Paragraph($pieces);
    }

    /** @return list<Paragraph> a sentence or two of each group, the surest papers first */
    public function short(): array
    {
        $told = [];
        foreach ($this->groups->bySaying() as $says => $papers) {
            $some = array_slice(self::surest($papers), 0, self::SHORT);
            $pieces = [
                new Piece($says === '' ? '' : self::heading($says, (string) array_key_first($this->groups->all)).': '),
            ];
            foreach ($some as $i => $paper) {
                $said = $paper->amount === '' ? $paper->sentence : $paper->amount;
                array_push(
                    $pieces,
                    new Piece($i === 0 ? '' : '; '),
                    self::claim("{$paper->called} “".rtrim($said, '. ').'”', [$paper]),
                );
            }
            $rest = count($papers) - count($some);
            $told[] = new Paragraph(
                [...$pieces, new Piece($rest === 0 ? '.' : '; and '.Methods::counted($rest, 'other paper').'.')],
            );
        }

        return $told === [] ? [Paragraph::of('Nothing is reported on the question.')] : $told;
    }

    /** @return list<Paragraph> each paper with its sentence */
    public function told(): array
    {
        $told = [];
        $hasMany = count($this->groups->all) > 1;
        foreach ($this->groups->all as $outcome => $groups) {
            foreach ($groups as $says => $papers) {
                if ($says !== '' || $hasMany) {
                    $told[] = Paragraph::heading(self::heading($says, $outcome));
                }
                $told[] = $this->kinds($papers);
                foreach ($papers as $paper) {
                    $told[] = self::quoted($paper);
                }
            }
        }
        if ($this->groups->silent !== []) {
            $told[] = Paragraph::of(
                Methods::counted(count($this->groups->silent), 'paper').' met the criteria and reported no answer: '.
                    Methods::list(array_map(fn (DraftPaper $one): string => $one->called, $this->groups->silent)).'.',
            );
        }

        return $told === [] ? [Paragraph::of('No paper that meets the criteria reports an answer.')] : $told;
    }

    /** @return non-empty-list<Paragraph> */
    public function sureness(): array
    {
        $papers = $this->facts->papers;
        $of = fn (Confidence $sure): int => count(
            array_filter($papers, fn (DraftPaper $one): bool => $one->confidence === $sure),
        );
        $abstracts = count($papers) - $this->facts->inFull;

        return [Paragraph::of(
            'What papers say was read by machine: '.$of(Confidence::Firm).' firmly, '.$of(Confidence::Fair).' fairly, and '.
                $of(Confidence::Check).' so that a person has to look. '.
                ($abstracts === 0 ? 'All were read in full. ' : Methods::counted($abstracts, 'paper').($abstracts === 1 ? ' was' : ' were').' read by title and abstract only. ').
                'How sound the studies are has not been judged, and nothing has been pooled.',
        )];
    }

    /** @param  list<DraftPaper>  $papers */
    private function kinds(array $papers): Paragraph
    {
        $kinds = [];
        foreach ($papers as $paper) {
            $kinds[$paper->kind->value][] = $paper;
        }
        $pieces = [];
        foreach ($kinds as $kind => $of) {
            $name = StudyKind::from($kind);
            $pieces[] = new Piece($pieces === [] ? '' : ', ');
            $pieces[] = self::claim(count($of).' '.(count($of) === 1 ? $name->label() : $name->plural()), $of);
        }

        return new Paragraph([...$pieces, new Piece('.')]);
    }

    private static function quoted(DraftPaper $paper): Paragraph
    {
        $place = $paper->page === null ? 'abstract' : "page {$paper->page}";
        $people = $paper->people === '' ? '' : ", {$paper->people} people";

        return Paragraph::of(
            "{$paper->called} ({$paper->kind->label()}{$people}): ",
            self::claim("“{$paper->sentence}”", [$paper]),
            " ({$place}).",
        );
    }

    /**
     * @param  list<DraftPaper>  $papers
     * @return list<DraftPaper>
     */
    private static function surest(array $papers): array
    {
        $order = array_flip(array_column(Confidence::cases(), 'value'));
        usort($papers, fn (DraftPaper $a, DraftPaper $b): int => [$order[$a->confidence->value], $a->amount === '']
            <=> [$order[$b->confidence->value], $b->amount === '']);

        return $papers;
    }

    /** @param  list<DraftPaper>  $papers */
    private static function claim(string $words, array $papers): Piece
    {
        return new Piece($words, array_map(fn (DraftPaper $one): string => $one->id, array_values($papers)));
    }

    /** @param  list<DraftPaper>  $papers */
    private static function verb(string $says, array $papers): string
    {
        $s = count($papers) === 1 ? 's' : '';

        return match ($says) {
            Direction::Unclear->value => $s === '' ? 'leave it open' : 'leaves it open',
            Direction::NoDifference->value => "report{$s} no difference",
            Direction::Mixed->value => "report{$s} some of both",
            default => "report{$s} {$says} of it",
        };
    }

    private static function heading(string $says, string $outcome): string
    {
        return ucfirst(match ($says) {
            '' => "“{$outcome}”",
            Direction::More->value, Direction::Less->value => "{$says} “{$outcome}”",
            Direction::NoDifference->value => "no difference in “{$outcome}”",
            Direction::Mixed->value => "“{$outcome}”: some of both",
            default => "“{$outcome}”: left open",
        });
    }
}
