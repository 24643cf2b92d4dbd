<?php

declare(strict_types=1);

namespace WaryHeron\Core\Drafting\Text;

/** A drafted report: what can be said of the papers by their own sentences and by counting them, and nothing more. */
final readonly class Composition
{
    private Groups $groups;

    public function __construct(private DraftFacts $facts)
    {
        $this->groups = Groups::of($facts);
    }

    /** @return list<Section> in the order of reading */
    public function sections(): array
    {
        $findings = new Findings($this->facts, $this->groups);
        $methods = new Methods($this->facts);

        return [
            new Section(
                'title',
                'Title',
                'title',
                [Paragraph::of("{$this->facts->question->text} A review of what is reported")],
            ),
            new Section('summary', 'In one sentence', 'title', [$findings->summary()]),
            new Section('abstract', 'Abstract', 'abstract', $this->abstract($findings)),
            new Section('short', 'In short', 'means', $findings->short()),
            new Section('searched', 'How papers were found', 'searched', $methods->searched()),
            new Section('chose', 'How papers were chosen', 'chose', $methods->chose()),
            new Section('read', 'How papers were read', 'read', $methods->read()),
            new Section('found', 'What the papers found', 'found', $findings->told()),
            new Section('sure', 'How sure this is', 'certainty', $findings->sureness()),
        ];
    }

    /** @return list<Paragraph> */
    private function abstract(Findings $findings): array
    {
        $facts = $this->facts;
        $papers = count($facts->papers);

        return [
            Paragraph::of("Question. {$facts->question->text}"),
            Paragraph::of(
                "Methods. On {$facts->day} the question was asked of ".Methods::list(array_keys($facts->found)).'; the '.
                    Methods::counted($facts->read, 'record').' likeliest to answer '.
                    ($facts->read === 1 ? 'was' : 'were').' read by title and abstract. '.
                    Methods::counted($papers, 'paper').' met the criteria'.
                    ($facts->inFull > 0 ? ", {$facts->inFull} of them read in full text." : ', read by title and abstract.'),
            ),
            new Paragraph([new Piece('Findings. '), ...$findings->summary()->pieces]),
            new Paragraph([new Piece('Limits. '), ...$findings->sureness()[0]->pieces]),
        ];
    }
}
