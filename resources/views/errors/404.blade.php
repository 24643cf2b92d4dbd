<x-problem-page title="Nothing is here">
    <p>Either the address is mistyped, what it named is gone, or it belongs to a review that you are not, or no longer, in. A lead of that
        review can tell, and invite you.</p>
    <p>What you did in it is kept.</p>
</x-problem-page>
