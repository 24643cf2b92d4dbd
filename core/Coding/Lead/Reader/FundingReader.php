<?php

declare(strict_types=1);

namespace WaryHeron\Core\Coding\Lead\Reader;

use WaryHeron\Core\Coding\Lead\Asked\AskedItem;
use WaryHeron\Core\Coding\Lead\Asked\ItemType;
use WaryHeron\Core\Coding\Lead\Lead;
use WaryHeron\Core\Coding\Lead\LeadReader;
use WaryHeron\Core\Coding\Lead\Passage;
use WaryHeron\Core\Coding\Lead\Passages;
use WaryHeron\Core\Coding\Lead\Traps;
use WaryHeron\Core\FullText\Reading\BlockKind;
use WaryHeron\Core\FullText\Reading\SectionKind;

/** Who paid, or that nobody did. */
final class FundingReader implements LeadReader
{
    private const PAID = '\b(?:fund(?:ed|ing|s)?|support(?:ed)?|financ\w+|paid (?:for|by)|grants?|sponsor\w*|donat\w+|award\w*|lent|gift|subsid\w+|made possible by|covered by|under contract|contract|scholarship|studentship|fellowship|stipend)\b';

    private const NAME = '\b(?:fund|foundation|council|ministry|institute|trust|agency|association|society|academy|university|board|hospital|authority|department|programme|union|commission|company|ltd|gmbh|bank|region|government|county|academy|federation)\b';

    /** What funders did or did not do says not who they were. */
    private const ROLE = '/\b(?:no|not|nothing|neither)\b[^.;]{0,30}\b(?:role|part|influence|say|access|input|hand)\b|\bhad no\b/iu';

    private const NOBODY = '/\bnobody (?:funded|paid|financed)\b|\b(?:no(?! other\b| further\b)|without|not)\b[^.;]{0,40}\b(?:funds?|funding|funded|support|grants?|money|financ\w+|sponsor\w*)\b|\bunfunded\b|\bself-?(?:funded|financed)\b|\b(?:funding|support|sponsors?)\s*[:.]?\s*(?:none|nil|no)\b|\bown (?:resources|means|time)\b|\bordinary means\b/iu';

    /** The same as a clause of a sentence that says who they were: “donated by so-and-so, which had no part in it”. */
    private const ROLE_CLAUSE = '/(?:,? (?:which|who|and|but)(?: they)?|; (?:the )?\p{Ll}+) (?:had|has|played|took) no\b[^,.;]*/iu';

    /** What is paid to a person is no funding of the work. */
    private const FEES = '/\b(?:lecture|lecturing|consult\w+|speakers?|travel|personal|advisory) fees?\b|\bhonorari\w+/iu';

    /** Headings that it may stand under. */
    private const THERE = '/fund|financ|support|acknowledg|money|sponsor|declaration|thanks/iu';

    /** Headings that are about nothing else. */
    private const HEADING = '/\bfund|financ|sources? of support|^support|sponsor|money/iu';

    private const PLAINLY = '\b(?:funded|supported|financed|paid for|sponsored|funding|grants? (?:from|of|by)|a grant'
        .'|made possible|covered by)\b';

    private const ELSEWHERE = [SectionKind::Introduction, SectionKind::Discussion, SectionKind::Results];

    public function reads(AskedItem $item): bool
    {
        return $item->type === ItemType::Text && $item->isAbout('\bfund|sponsor|financ');
    }

    public function leads(AskedItem $item, Passages $paper): array
    {
        $leads = [];
        foreach ($paper->told() as $passage) {
            if (! $passage->isRow() && $passage->kind !== BlockKind::Heading && ! Traps::isCited($passage)) {
                $leads[] = $this->inPassage($passage, $passage->number >= 0.8 * count($paper->all));
            }
        }

        return array_values(array_filter($leads));
    }

    /** @param  bool  $isEnd  whether the passage stands where papers give thanks */
    private function inPassage(Passage $passage, bool $isEnd): ?Lead
    {
        $isThere = preg_match(self::THERE, $passage->heading) === 1;
        $isAbout = preg_match(self::HEADING, $passage->heading) === 1;
        $says = $passage->has(self::PAID) || ($isAbout && ! $passage->has('\bdeclare\b|\bdisclose\b'));
        if ((! $says && ! $isThere) || self::isOfNoPayer($passage->text)) {
            return null;
        }
        $base = self::place($passage, $isEnd) + ($isThere ? 0.6 : 0.0);
        $isNone = $isAbout && $passage->has('^\s*(?:none|nil)\b');
        if ($isNone || preg_match(self::NOBODY, $passage->text) === 1) {
            return Lead::from($passage, 'none', 1.9 + $base, 'it says that nobody paid');
        }
        if (! $says) {
            return null;
        }
        $isPlain = $isAbout || $passage->has(self::PLAINLY);
        $isName = $passage->has(self::NAME) || preg_match('/\bby (?:the |a )?\p{Lu}/u', $passage->text) === 1;
        $score = 0.7 + $base + ($isPlain ? 0.9 : 0.2) + ($isName ? 0.6 : -0.4);

        return Lead::from($passage, $this->payer($passage->text), $score, 'somebody is said to have paid');
    }

    private static function place(Passage $passage, bool $isEnd): float
    {
        $isElsewhere = ! $isEnd && in_array($passage->section, self::ELSEWHERE, true);

        return ($passage->section === SectionKind::Declarations || $isEnd ? 0.7 : 0.0) - ($isElsewhere ? 1.0 : 0.0);
    }

    private static function isOfNoPayer(string $text): bool
    {
        $payers = (string) preg_replace(self::ROLE_CLAUSE, '', $text);

        return preg_match(self::ROLE, $payers) === 1 ||
            preg_match(self::FEES, $text) === 1 ||
            preg_match('/^\s*not applicable\b/iu', $text) === 1;
    }

    private function payer(string $text): string
    {
        $name =
            preg_match(
                '/\b(?:funded|supported|financed|paid for|sponsored|provided|donated|possible|covered)\b[^.;]{0,25}?\bby\s+(.+)$/iu',
                $text,
                $found,
            ) === 1 ||
            preg_match('/\b(?:thank|grateful to|acknowledges?)\s+(.+?)\s+for\b[^.;]*\b(?:support|fund|grant)/iu', $text, $found) === 1 ||
            preg_match(
                '/\b(?:grants?|funds|funding|support|money|scholarship|studentship|fellowship|award)\b[^.;]{0,30}?\bfrom\s+(.+)$/iu',
                $text,
                $found,
            ) === 1 ||
            preg_match('/\b(?:funding|support)(?: source| statement)?s?\s*[:.]\s*(.+)$/iu', $text, $found) === 1
                ? $found[1]
                : $text;
        $name = (string) preg_replace(
            '/^(?:an? |the )?(?:\p{L}+ ){0,2}(?:grants?|award|scholarship)\b[^.;]{0,40}?\bfrom\s+/iu',
            '',
            $name,
        );
        $words = preg_split('/\s+/u', trim($name, ' .')) ?: [];

        return implode(' ', array_slice($words, 0, 34));
    }
}
