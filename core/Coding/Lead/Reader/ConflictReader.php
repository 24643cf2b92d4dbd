<?php

declare(strict_types=1);

namespace WaryHeron\Core\Coding\Lead\Reader;

use WaryHeron\Core\Coding\Lead\Asked\AskedItem;
use WaryHeron\Core\Coding\Lead\Asked\ItemType;
use WaryHeron\Core\Coding\Lead\Lead;
use WaryHeron\Core\Coding\Lead\LeadReader;
use WaryHeron\Core\Coding\Lead\Passage;
use WaryHeron\Core\Coding\Lead\Passages;
use WaryHeron\Core\FullText\Reading\BlockKind;
use WaryHeron\Core\FullText\Reading\SectionKind;

/** Whether anybody declares an interest. */
final class ConflictReader implements LeadReader
{
    private const ABOUT = '(?:conflicts?|competing|declaration|declared?|disclos\w+|links?|statement) (?:of |on )?(?:interests?)|\binterests?\b|\bdisclosures?\b|nothing to (?:declare|disclose)|no (?:conflict|competing)|\bfees?\b|\bhonorari\w+|\bconsultan\w+|\bshares?\b in|\bemployed by\b|\bstock\b|\bpatent\b|\badvisory board\b|\b(?:financial|personal) ties?\b';

    private const NONE = '/\b(?:no|none|nothing|nil|without|not any|neither|have not|has not|do not|does not)\b/iu';

    private const SOME = '/\b(?:received|fees?|honorari\w+|consult\w+|employ\w+|shares?|stocks?|patent|licen[cs]e|advis\w+|director|founder|owns?|owner|paid|relative|member of|board|grants? from|travel|royalt\w+|sits|sat on|committee|works? for|own(?:s|ed)?)\b/iu';

    private const DECLARED = '/\binterests?\b|declar|disclos|conflict|competing|\btie\b/iu';

    public function reads(AskedItem $item): bool
    {
        return $item->type === ItemType::Choice &&
            ($item->isAbout('interest|conflict|disclos') || in_array('none declared', $item->options, true));
    }

    public function leads(AskedItem $item, Passages $paper): array
    {
        $none = $this->option($item, '/none|\bno\b/i');
        $some = $this->option($item, '/^declared|yes|present|stated/i');
        $leads = [];
        foreach ($paper->told() as $passage) {
            $isText = $passage->kind !== BlockKind::Heading && ! $passage->isRow();
            $leads[] = $isText ? $this->lead($passage, $none, $some) : null;
        }

        return array_values(array_filter($leads));
    }

    /**
     * @param  ?string  $none  what the item calls it that there is none
     * @param  ?string  $some  what it calls one that is stated
     */
    private function lead(Passage $passage, ?string $none, ?string $some): ?Lead
    {
        $isThere = preg_match('/interest|disclos|conflict|competing/iu', $passage->heading) === 1;
        $isNear = self::isOfAuthors($passage);
        if (! $isThere && ! $isNear && ! $passage->has(self::ABOUT)) {
            return null;
        }
        $isDeclared = $isThere || preg_match(self::DECLARED, $passage->text) === 1;
        $base =
            ($passage->section === SectionKind::Declarations ? 1.0 : 0.0) +
            ($isThere ? 0.8 : 0.0) +
            ($isDeclared ? 0.8 : 0.0);
        $denies = preg_match(self::NONE, $passage->text) === 1;
        // where the others have none, one has some
        $isOfOthers = $denies && preg_match('/\b(?:other|remaining) authors?\b/iu', $passage->text) === 1;
        $states = ($isDeclared || $isNear) && self::states($passage->text);

        if (($states || ($isOfOthers && $isDeclared)) && $some !== null) {
            return Lead::from($passage, $some, $base + 1.9, 'somebody states an interest');
        }

        return $denies && $isDeclared && $none !== null
            ? Lead::from($passage, $none, $base + 1.2, 'the authors say that there is none')
            : null;
    }

    /** Whether it begins with an author, among what authors declare. */
    private static function isOfAuthors(Passage $passage): bool
    {
        $author = '/^[^.]*\b(?:author|\p{Lu}\.?[ -]?\p{Lu}\.?|\p{Lu}[\p{L}-]+ (?:and|is|has|was|sits|owns))/u';

        return $passage->section === SectionKind::Declarations && preg_match($author, $passage->text) === 1;
    }

    /** Whether somebody has an interest, by what is left without denials; money for the work is none. */
    private static function states(string $text): bool
    {
        $left = (string) preg_replace('/\b(?:no|not|nor|none|without)\b[^,;.]*/iu', '', $text);

        return preg_match('/\b(?:supported|funded|financed) by\b/iu', $text) !== 1 &&
            preg_match(self::SOME, $left) === 1;
    }

    private function option(AskedItem $item, string $pattern): ?string
    {
        return array_values(
            array_filter($item->options, fn (string $one): bool => preg_match($pattern, $one) === 1),
        )[0] ?? null;
    }
}
